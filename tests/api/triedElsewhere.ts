/** Routes that the rows of access.test.ts do not ask, and where they are tried instead. */
export const triedElsewhere: Record<string, string> = {
  'GET /api/health': 'open to all: the demo’s start and every test wait for it',
  'GET /api/set-up': 'open to all: whether there is a school; ownSchool.spec.ts',
  'POST /api/set-up': 'ownSchool.spec.ts, with the key and without; below, where there is a school',
  'POST /api/years': 'years.test.ts, a year made from another; below, nobody else’s work',
  'GET /api/years/:year/folder': 'schoolFolder.test.ts, over the wire',
  'POST /api/years/folder': 'schoolFolder.test.ts, over the wire',
  'POST /api/session': 'below, at the door',
  'DELETE /api/session': 'door.test.ts, sessions',
  'GET /api/welcome/:token': 'people.test.ts, a link',
  'POST /api/welcome/:token': 'people.test.ts, a link',
  'GET /api/years/:year/setup': 'door.test.ts, what a specialist is sent',
  'POST /api/files/:file/apply': 'below, nobody else’s work',
  'POST /api/events/:event/undo': 'below, nobody else’s work',
  'GET /api/classes/:class/:term/categories': 'categories.test.ts, who changes it',
  'PUT /api/classes/:class/:term/categories': 'categories.test.ts, who changes it',
  'GET /api/runs/:run/pdf': 'below, nobody fetches reports who may not',
}
