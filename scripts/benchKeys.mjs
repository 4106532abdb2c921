/**
 * What a key costs, as Chromium's trace tells it, unrounded, in ms: the work of the page's own thread (the key's own,
 * what is dispatched between, and the frame that shows it), and the time from the key to that frame drawn. Medians of
 * the keys that changed the picture.
 */
export async function workOfKeys(page, keys) {
  const browser = page.context().browser()
  await page.waitForTimeout(1500)
  await browser.startTracing(page, { categories: ['devtools.timeline', 'cc', 'viz'] })
  for (const key of keys) {
    await page.keyboard.press(key)
    await page.waitForTimeout(200)
  }
  const { traceEvents } = JSON.parse(await browser.stopTracing())
  const spans = traceEvents.filter((each) => each.ph === 'X').sort((a, b) => a.ts - b.ts)
  const told = spans
    .filter((each) => each.name === 'EventDispatch' && each.args.data.type === 'keydown')
    .flatMap((key) => keyTold(key, spans))
  const [work, drawn] = [median(told.map((each) => each.work)), median(told.map((each) => each.drawn))]
  return `${work} ms on the page’s own thread, drawn after ${drawn} ms, of ${told.length}`
}

function keyTold(key, spans) {
  const after = spans.filter((each) => each.ts > key.ts && each.ts < key.ts + 100_000)
  const frame = after.find((each) => each.name === 'ProxyMain::BeginMainFrame' && each.tid === key.tid)
  const draw = frame && after.find((each) => each.name === 'Display::DrawAndSwap' && each.ts >= frame.ts + frame.dur)
  if (!frame || !draw) return []
  const between = after
    .filter((each) => each.name === 'EventDispatch' && each.tid === key.tid)
    .filter((each) => each.ts > key.ts + key.dur && each.ts < frame.ts)
    .reduce((sum, each) => sum + each.tdur, 0)
  return [{ work: (key.tdur + between + frame.tdur) / 1000, drawn: (draw.ts + draw.dur - key.ts) / 1000 }]
}

function median(values) {
  return (values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0).toFixed(1)
}
