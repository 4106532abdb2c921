import { anyOf, pattern } from '../text/pattern'

// Words by which teachers judge, and how much they say; ours. What a clause judges is told by spokenOf.

const raw = String.raw
const greatAt = anyOf(`reader mathematician scientist artist writer listener partner team_player skill understanding
  strength expression`)

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
        pattern(raw`\bgreat ${greatAt}\b`),
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
    pattern(
      raw`\b(?:has|have) (?:much |really |greatly |clearly |steadily )?`,
      raw`${anyOf(`improved progressed come_on come_a_long_way gone_up moved_on got_better
        caught_up risen climbed`)}\b`,
    ),
    /\b(?:better|stronger|surer) than (?:in|last|before)\b/gi,
    /\bimproves?\b(?! (?:his|her|their|by))/gi,
  ],
}

export const fallWords: Judging = {
  words: [],
  patterns: [
    pattern(
      raw`\b(?:has|have) (?:sadly |clearly |rather |recently )?`,
      raw`${anyOf(`slipped dropped fallen_back fallen_behind fallen gone_down gone_back got_worse
        declined lost_ground`)}\b`,
    ),
    /\b(?:worse|weaker) than (?:in|last|before)\b/gi,
  ],
}
