/**
 * What the page's own thread does from a key to the end of the frame that shows it, in ms: the key's own work, what is
 * dispatched between, and the frame, as Chromium's trace tells it. The median of the keys that changed the picture.
 */
export async function workOfKeys(page, keys) {
  const browser = page.context().browser()
  await page.waitForTimeout(1500)
  await browser.startTracing(page, { categories: ['devtools.timeline', 'cc'] })
  for (const key of keys) {
    await page.keyboard.press(key)
    await page.waitForTimeout(200)
  }
  const { traceEvents } = JSON.parse(await browser.stopTracing())
  const spans = traceEvents.filter((each) => each.ph === 'X')
  const dispatched = spans.filter((each) => each.name === 'EventDispatch')
  const frames = spans.filter((each) => each.name === 'ProxyMain::BeginMainFrame').sort((a, b) => a.ts - b.ts)
  const work = dispatched
    .filter((each) => each.args.data.type === 'keydown')
    .flatMap((key) => {
      const frame = frames.find((each) => each.ts > key.ts && each.tid === key.tid)
      if (!frame || frame.ts - key.ts > 100_000) return []
      const between = dispatched
        .filter((each) => each.tid === key.tid && each.ts > key.ts + key.dur && each.ts < frame.ts)
        .reduce((sum, each) => sum + each.tdur, 0)
      return [(key.tdur + between + frame.tdur) / 1000]
    })
    .sort((a, b) => a - b)
  return `${(work[Math.floor(work.length / 2)] ?? 0).toFixed(1)} ms on the page’s own thread, of ${work.length}`
}
