import {
  boltLabel,
  METHOD_TEXT,
  OUTCOME_TEXT,
  type RecordedPull,
  type RunRecord,
} from '@stennet/core/record';
import { useSignedIn } from '@/data';
import { Section, useIsWide } from '@/ui';
import { text } from '../text';
import { Table } from './Table';

/** Every pull, in the order it was made: also those that were taken back. */
export function PullTable({
  record,
  people,
}: {
  record: RunRecord;
  people: Readonly<Record<string, string>>;
}) {
  const isWide = useIsWide();
  const { format } = useSignedIn();
  const c = text.columns;
  const columns = [
    { title: text.place, width: 52 },
    { title: c.target, width: 76 },
    { title: c.result, width: 116 },
    { title: c.round, width: 60 },
    { title: c.method, width: isWide ? 150 : 170 },
    { title: c.time, width: 60 },
    { title: c.person, width: 110 },
  ];
  const pulls = record.fasteners.flatMap((f) => f.pulls);
  const order = new Map(record.order.map((id, i) => [id, i]));
  pulls.sort((a, b) => (order.get(a.event) ?? 0) - (order.get(b.event) ?? 0));
  const result = (p: RecordedPull): string => {
    // What a tool read is the result; a click is only a click.
    const read = p.reading
      ? p.reading.unit === 'deg'
        ? format.angle(p.reading.value)
        : format.quantity(p.reading).text
      : OUTCOME_TEXT[p.outcome];
    const short = p.reading && p.outcome === 'stoppedShort' ? `, ${OUTCOME_TEXT.stoppedShort}` : '';
    const note = p.undone ? `, ${text.undone}` : p.corrected ? `, ${text.corrected}` : '';
    return `${read}${short}${note}`;
  };
  const rows = pulls.map((p) => ({
    key: p.event,
    faded: p.undone,
    cells: [
      boltLabel(p.fastener),
      p.target ? format.published(p.target) : '·',
      result(p),
      String(p.pass),
      howText(p),
      format.time(new Date(p.deviceTime)),
      people[p.person] ?? '',
    ],
  }));
  return (
    <Section title={text.everyPull}>
      <Table label={text.everyPull} columns={columns} rows={rows} />
    </Section>
  );
}

/** Confirmed together is said so, whatever wrench was set. */
const howText = (p: RecordedPull): string =>
  p.method === 'confirmedTogether'
    ? [METHOD_TEXT[p.method], p.wrench].filter(Boolean).join(', ')
    : (p.wrench ?? METHOD_TEXT[p.method]);
