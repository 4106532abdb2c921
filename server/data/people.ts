import { Hash } from '@adonisjs/hash'
import { Scrypt } from '@adonisjs/hash/drivers/scrypt'
import type { Knex } from 'knex'
import type { ClassTeaching, Who } from '../access/access'

/** scrypt with the package's defaults: the same as nuxt-auth-utils uses. */
const hash = new Hash(new Scrypt({}))

/** A password as it is kept. */
export function hashPassword(password: string): Promise<string> {
  return hash.make(password)
}

export interface PersonRow {
  id: string
  sign_in: string
  password_hash: string
  given_name: string
  family_name: string
  role: 'teacher' | 'coordinator'
}

/** A hash of nothing anyone has, so that an unknown name takes as long to refuse as a wrong password. */
const nobody = hash.make('nobody signs in with this')

/** The person with this sign-in name and password, or undefined. */
export async function personBySignIn(database: Knex, signIn: string, password: string): Promise<PersonRow | undefined> {
  const person = await database<PersonRow>('person').where({ sign_in: signIn.trim().toLowerCase() }).first()
  const matches = await hash.verify(person?.password_hash ?? (await nobody), password)
  return matches ? person : undefined
}

/** Who a person is to the access rules; undefined when there is no such person any more. */
export async function whoIs(database: Knex, personId: string): Promise<Who | undefined> {
  const person = await database<PersonRow>('person').where({ id: personId }).first()
  if (!person) return undefined
  const teaching = await database<{ person_id: string; class_id: string; subject: string | null }>('teaching').where({
    person_id: personId,
  })
  return {
    personId,
    role: person.role,
    teaching: teaching.map((each) => ({ classId: each.class_id, subject: each.subject })),
  }
}

/** The subjects of a class that a specialist has. */
export async function classTeaching(database: Knex, classId: string): Promise<ClassTeaching> {
  const rows = await database<{ class_id: string; subject: string | null }>('teaching')
    .where({ class_id: classId })
    .whereNotNull('subject')
  return { classId, specialistSubjects: rows.flatMap((row) => row.subject ?? []) }
}
