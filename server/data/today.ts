/** Today in the server's time zone, as an ISO date: a school's day is where the school is. */
export function today(): string {
  const now = new Date()
  return [now.getFullYear(), String(now.getMonth() + 1).padStart(2, '0'), String(now.getDate()).padStart(2, '0')].join(
    '-',
  )
}
