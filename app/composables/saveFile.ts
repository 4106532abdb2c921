/** Hands a file to the person who asked for it, as the browser saves files. */
export function saveFile(name: string, content: Blob): void {
  const url = URL.createObjectURL(content)
  Object.assign(document.createElement('a'), { href: url, download: name }).click()
  URL.revokeObjectURL(url)
}
