/** Why something was not done, with a message for the person who asked. */
export class Refusal extends Error {
  constructor(
    readonly kind:
      | 'signed out'
      | 'forbidden'
      | 'not found'
      | 'locked'
      | 'conflict'
      | 'invalid'
      | 'too often'
      | 'too large'
      | 'not answered'
      | 'not taken'
      | 'unreachable'
      | 'broken',
    message: string,
    /** What the other side needs to go on, such as the text as it stands now. */
    readonly details: object | null = null,
  ) {
    super(message)
    this.name = 'Refusal'
  }
}
