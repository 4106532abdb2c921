// Words by which teachers judge, and how much they say; ours. What a clause judges is told by spokenOf.

/** Words by their family, and turns of phrase as they stand. */
export interface Judging {
  readonly words: readonly string[]
  readonly patterns: readonly RegExp[]
}

/** Words that only a high level bears out, whatever they are said of. */
export const praise: readonly Judging[] = [
  {
    words: ['brilliant', 'flawless', 'effortless', 'perfect', 'masterly', 'extraordinary', 'exemplary', 'outstanding'],
    patterns: [/\btop of the class\b/gi, /\bexcellent\b/gi],
  },
]

/** Words that do not go with a low level of what they are said of. */
export function highWords(ofHabit: boolean): readonly Judging[] {
  return [
    ...praise,
    {
      words: [
        'excellent',
        'superb',
        'impressive',
        'remarkable',
        'exceptional',
        'confident',
        'expert',
        'fluent',
        'skilful',
      ],
      patterns: [
        /\bwith (?:great |real |much )?(?:ease|confidence|skill)\b/gi,
        /\beasily\b/gi,
        /\bvery (?:good|strong|well|capable|able)\b/gi,
        /\b(?:strong|strongest|strength)\b/gi,
        /\bgreat (?:reader|mathematician|scientist|artist|writer|listener|partner|team player|skill|understanding|strength|expression)\b/gi,
        /\bwithout (?:any |a )?(?:help|mistakes?|difficulty|effort)\b/gi,
        /\bshows? others how\b/gi,
        /\b(?:beautifully|wonderfully|reliably)\b/gi,
        ...(ofHabit ? [/\b(?:always|never fails|reliable|without fail|every time)\b/gi] : []),
      ],
    },
  ]
}

/** Words that only a low level bears out, whatever they are said of. */
export const blame: readonly Judging[] = [
  {
    words: ['struggles', 'struggled', 'struggling', 'weak', 'weakness', 'poor', 'poorly', 'unable', 'lacks'],
    patterns: [/\bfail(?:s|ed|ing)\b/gi, /\bvery little progress\b/gi, /\bfar behind\b/gi, /\bcannot yet\b/gi],
  },
]

/** Words that do not go with a high level of what they are said of. */
export const lowWords: readonly Judging[] = [
  ...blame,
  {
    words: ['careless', 'forgets', 'difficulty'],
    patterns: [
      /\bneeds? (?:a lot of |much |some |more |a little )?(?:help|support|reminders?|reminding)\b/gi,
      /\bfinds? (?:it|this|that|these|\p{L}+ing)(?: \p{L}+){0,3} (?:hard|difficult|tricky)\b/giu,
      /\bfinds? it (?:very |rather |quite )?(?:hard|difficult|tricky)\b/gi,
      /\b(?:is|are|was|were) (?:still |very |rather )?(?:hard|harder|difficult|tricky) (?:for|to)\b/gi,
      /\bnot (?:yet )?able\b/gi,
      /\bstill (?:cannot|can[’']t|does not|doesn[’']t)\b/gi,
      /\b(?:cannot|can[’']t) yet\b/gi,
      /\bgives? up\b/gi,
      /\b(?:seldom|rarely|hardly ever)\b/gi,
      /\bneeds? to (?:practise|work on|learn)\b/gi,
      /\bwould do well to practise\b/gi,
      /\bnot yet\b/gi,
      /\bhas made a start\b/gi,
    ],
  },
]

export const riseWords: Judging = {
  words: [],
  patterns: [
    /\b(?:has|have) (?:much |really |greatly |clearly |steadily )?(?:improved|progressed|come on|come a long way|gone up|moved on|got better|caught up|risen|climbed)\b/gi,
    /\b(?:better|stronger|surer) than (?:in|last|before)\b/gi,
    /\bimproves?\b(?! (?:his|her|their|by))/gi,
  ],
}

export const fallWords: Judging = {
  words: [],
  patterns: [
    /\b(?:has|have) (?:sadly |clearly |rather |recently )?(?:slipped|dropped|fallen(?: back| behind)?|gone down|gone back|got worse|declined|lost ground)\b/gi,
    /\b(?:worse|weaker) than (?:in|last|before)\b/gi,
  ],
}
