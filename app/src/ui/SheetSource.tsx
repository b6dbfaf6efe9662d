import type { Sheet } from '@stennet/core/procedure';
import type { Formatter } from '@stennet/core/quantity';
import { Notice } from './Notice';
import { commonText as text } from '@/language/common';
import { Card } from './Card';
import { Line } from './Section';
import { Fold } from './Fold';

/** What stands above every sheet: whose word prevails, and whether its values are made up. */
export function Prevails({ sheet }: { sheet: Sheet }) {
  if (!sheet.invented) return <Notice title={text.prevail} />;
  return (
    <Card edge="warn">
      <Fold title={text.invented}>
        <Line>{text.prevail}</Line>
      </Fold>
    </Card>
  );
}

/** Where the values stand in print, and for which state of thread and head. */
export function SourceLines({ sheet: { source }, format }: { sheet: Sheet; format: Formatter }) {
  const date = format.date(new Date(`${source.date}T12:00:00Z`));
  return (
    <Fold title={text.condition({ condition: source.condition })}>
      <Line>
        {text.source({ title: source.title, page: source.page, revision: source.revision, date })}
      </Line>
    </Fold>
  );
}
