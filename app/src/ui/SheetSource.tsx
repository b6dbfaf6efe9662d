import type { Sheet } from '@stennet/core/procedure';
import type { Formatter } from '@stennet/core/quantity';
import { Notice } from './Notice';
import { Line } from './Section';

const text = {
  invented: 'Invented values',
  inventedText: 'This sheet was made up for demonstration. Never tighten a real engine by it.',
  prevail: 'The maker’s current procedure, local rules and licensed practice prevail.',
  source: (title: string, page: string, revision: string, date: string) =>
    `${title}, page ${page}, revision ${revision}, ${date}`,
  condition: (c: string) => `Published for: ${c}`,
};

/** What stands above every sheet: whose word prevails, and whether its values are made up. */
export function Prevails({ sheet }: { sheet: Sheet }) {
  if (!sheet.invented) return <Notice title={text.prevail} />;
  return <Notice title={text.invented} text={`${text.inventedText} ${text.prevail}`} look="warn" />;
}

/** Where the values stand in print, and for which state of thread and head. */
export function SourceLines({ sheet: { source }, format }: { sheet: Sheet; format: Formatter }) {
  const date = format.date(new Date(`${source.date}T12:00:00Z`));
  return (
    <>
      <Line>{text.source(source.title, source.page, source.revision, date)}</Line>
      <Line>{text.condition(source.condition)}</Line>
    </>
  );
}
