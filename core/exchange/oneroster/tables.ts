// OneRoster is 1EdTech's open standard for class lists and results; its CSV binding, versions 1.1 and 1.2. The names of
// files and headings are from memory of the published specification; it could not be fetched here.

export const versions = ['1.1', '1.2'] as const
export type OneRosterVersion = (typeof versions)[number]

/** The headings of each file that Facunda reads or writes, in their order; those that 1.2 has more follow. */
export const headings = {
  academicSessions: 'sourcedId status dateLastModified title type startDate endDate parentSourcedId schoolYear',
  orgs: 'sourcedId status dateLastModified name type identifier parentSourcedId',
  courses:
    'sourcedId status dateLastModified schoolYearSourcedId title courseCode grades orgSourcedId subjects subjectCodes',
  classes:
    'sourcedId status dateLastModified title grades courseSourcedId classCode classType location schoolSourcedId ' +
    'termSourcedIds subjects subjectCodes periods',
  users:
    'sourcedId status dateLastModified enabledUser username userIds givenName familyName middleName identifier email ' +
    'sms phone agentSourcedIds grades password userMasterIdentifier preferredGivenName preferredMiddleName ' +
    'preferredFamilyName primaryOrgSourcedId pronouns',
  roles:
    'sourcedId status dateLastModified userSourcedId roleType role beginDate endDate orgSourcedId userProfileSourcedId',
  enrollments:
    'sourcedId status dateLastModified classSourcedId schoolSourcedId userSourcedId role primary beginDate endDate',
  categories: 'sourcedId status dateLastModified title weight',
  lineItems:
    'sourcedId status dateLastModified title description assignDate dueDate classSourcedId categorySourcedId ' +
    'gradingPeriodSourcedId resultValueMin resultValueMax academicSessionSourcedId schoolSourcedId',
  scoreScales:
    'sourcedId status dateLastModified title type orgSourcedId courseSourcedId classSourcedId scoreScaleValue',
  lineItemScoreScales: 'sourcedId status dateLastModified lineItemSourcedId scoreScaleSourcedId',
  results:
    'sourcedId status dateLastModified lineItemSourcedId studentSourcedId scoreStatus score scoreDate comment ' +
    'textScore classSourcedId inProgress incomplete late missing',
} as const

export type BundleFile = keyof typeof headings
export const bundleFiles = Object.keys(headings) as BundleFile[]

/** A file's headings in their order. */
export function headingsOf(file: BundleFile): string[] {
  return headings[file].split(' ')
}

/** Every file that a manifest speaks of, in 1.2. */
export const inManifest = [
  ...['academicSessions', 'categories', 'classes', 'classResources', 'courses', 'courseResources', 'demographics'],
  ...['enrollments', 'lineItemLearningObjectiveIds', 'lineItems', 'lineItemScoreScales', 'orgs', 'resources'],
  ...['resultLearningObjectiveIds', 'results', 'resultScoreScales', 'roles', 'scoreScales', 'userProfiles'],
  ...['userResources', 'users'],
] as const
