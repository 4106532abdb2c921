import type { Phrase } from '../../core/narrative/phrase'
import type { Row } from './changes'

/** A phrase as the columns of its table, without its id and its place. */
export function phraseColumns({ subject, part, about, tiers, uneven, moves, text, tone, grades, owner }: Phrase): Row {
  return {
    subject,
    part,
    about,
    tiers,
    uneven,
    moves,
    text,
    tone,
    grade_from: grades?.from ?? null,
    grade_to: grades?.to ?? null,
    owner,
  }
}
