import { h, type VNode } from 'vue'
import InkStrokes from '~/components/InkStrokes.vue'
import { assertNever } from '~~/core/assertNever'
import type { Block } from '~~/core/reports/document'

type Of<K extends Block['kind']> = Extract<Block, { kind: K }>

const muted = 'text-[#5A6472]'
const ruled = 'border-[#CFC8BA]'

/** One block of a report on the screen; paper has the same inks in day and night. */
export function drawBlock(block: Block): VNode {
  switch (block.kind) {
    case 'heading':
      return drawHeading(block)
    case 'paragraph':
      return drawParagraph(block)
    case 'facts':
      return drawFacts(block)
    case 'table':
      return drawTable(block)
    case 'lines':
      return drawLines(block)
    case 'signatures':
      return drawSignatures(block)
    default:
      return assertNever(block)
  }
}

function drawHeading({ level, text }: Of<'heading'>): VNode {
  const look = level === 1 ? 'text-3xl font-semibold' : 'mt-5 text-lg font-semibold text-[#0F5C63]'
  return h(`h${level + 1}`, { class: look }, text)
}

function drawParagraph({ text, voice }: Of<'paragraph'>): VNode {
  const looks = { comment: 'mt-1.5 font-serif leading-relaxed', small: `text-sm ${muted}`, plain: '' }
  return h('p', { class: looks[voice] }, text)
}

function drawFacts({ items }: Of<'facts'>): VNode {
  return h(
    'p',
    { class: 'text-sm' },
    items.map(({ label, value }) =>
      h('span', { class: 'mr-5' }, [
        h('span', { class: muted }, label),
        ' ',
        h('b', { class: 'font-semibold' }, value),
      ]),
    ),
  )
}

function drawTable({ caption, columns, rows, ruled: toWriteInto }: Of<'table'>): VNode {
  const heads = columns.map(({ title, share }) => h('th', { scope: 'col', style: { width: `${share * 100}%` } }, title))
  const look = `py-1 font-normal ${toWriteInto ? `border-r align-bottom ${ruled}` : ''}`
  const height = toWriteInto ? { height: `${toWriteInto.rowHeight}mm` } : undefined
  const body = rows.map((row) =>
    h(
      'tr',
      { class: `border-b ${ruled}`, style: height },
      row.map(({ text, strokes }, nth) =>
        h(nth === 0 ? 'th' : 'td', { scope: nth === 0 ? 'row' : undefined, class: look }, [
          strokes ? h(InkStrokes, { ...strokes, class: 'mr-2' }) : null,
          text,
        ]),
      ),
    ),
  )
  return h('table', { class: ['mt-1.5 w-full text-sm', toWriteInto ? 'table-fixed' : ''] }, [
    h('caption', { class: 'sr-only' }, caption),
    h('thead', h('tr', { class: `border-b text-xs ${ruled} ${muted}` }, heads)),
    h('tbody', body),
  ])
}

function drawLines({ label, count }: Of<'lines'>): VNode {
  const lines = Array.from({ length: count }, () => h('hr', { class: `mt-7 ${ruled}` }))
  return h('div', [h('p', { class: `text-sm ${muted}` }, label), ...lines])
}

function drawSignatures({ labels }: Of<'signatures'>): VNode {
  const look = `flex-1 border-t pt-1 text-sm ${ruled} ${muted}`
  return h(
    'div',
    { class: 'mt-10 flex gap-8' },
    labels.map((label) => h('p', { class: look }, label)),
  )
}
