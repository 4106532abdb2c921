/** How a sign-in name is compared. */
export function signInKey(name: string): string {
  return name.trim().toLocaleLowerCase('en')
}
