/**
 * Puts a table on paper: only the rows, with their heads on each page. The screen around it stays
 * away.
 */
export function printTable(
  title: string,
  heads: readonly string[],
  rows: readonly string[][],
): void {
  document.getElementById('print')?.remove();
  const frame = document.createElement('iframe');
  frame.id = 'print';
  frame.title = title;
  frame.style.display = 'none';
  document.body.append(frame);
  const page = frame.contentDocument;
  if (!page) return;
  const put = (parent: Element, tag: string, text = ''): HTMLElement => {
    const element = page.createElement(tag);
    element.textContent = text;
    parent.append(element);
    return element;
  };
  page.title = title;
  page.documentElement.lang = document.documentElement.lang;
  put(page.head, 'style', SHEET);
  put(page.body, 'h1', title);
  const table = put(page.body, 'table');
  const head = put(put(table, 'thead'), 'tr');
  for (const name of heads) put(head, 'th', name);
  const body = put(table, 'tbody');
  for (const row of rows) {
    const line = put(body, 'tr');
    for (const cell of row) put(line, 'td', cell);
  }
  frame.contentWindow?.print();
}

const SHEET = `
  body { font: 10pt sans-serif; color: #000 }
  h1 { font-size: 14pt }
  table { border-collapse: collapse; width: 100% }
  th, td { text-align: left; vertical-align: top; padding: 3pt 6pt; border-bottom: 0.5pt solid #888 }
  td { white-space: pre-line }
  tr { break-inside: avoid }
`;
