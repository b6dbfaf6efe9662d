import type { JointSheet } from '@stennet/core/contract/run';
import { partsOf, sockets } from '@stennet/core/prepare';
import { PHASES, type Sheet } from '@stennet/core/procedure';
import type { ShownEntry } from '@/data';
import { Line, Section } from '@/ui';
import { text } from '../text';
import { partOf } from './NewParts';

/** Everything else as one list, in the order it is met at the vehicle; read as a whole, confirmed by starting. */
export function LayOut({ data, entries }: { data: JointSheet; entries: readonly ShownEntry[] }) {
  const { sheet } = data;
  const state = (need: ReturnType<typeof partsOf>[number]): string => {
    const part = partOf(data, need, entries);
    return part ? ` · ${text.partState[part.body.state]}` : '';
  };
  const parts = partsOf(sheet);
  return (
    <Section title={text.list}>
      {parts
        .filter((p) => p.key.startsWith('part:'))
        .map((p) => (
          <Line key={p.key}>{p.need === 'consider' ? text.consider(p.what, p.why) : `${text.part(p.count, p.what)}${state(p)}`}</Line>
        ))}
      {parts
        .filter((p) => p.need === 'reuse')
        .map((p) => (
          <Line key={p.key}>{`${text.part(p.count, p.what)}. ${p.why}`}</Line>
        ))}
      {sheet.holding?.loosening ? <Line>{text.holdLoosening(sheet.holding.loosening)}</Line> : null}
      {sheet.holding?.tightening ? <Line>{text.holdTightening(sheet.holding.tightening)}</Line> : null}
      {sockets(sheet).map((s) => (
        <Line key={s.socket}>{text.socket(s.socket, s.count)}</Line>
      ))}
      {inOrderMet(sheet).map((s) => (
        <Line key={s.id}>{s.text}</Line>
      ))}
    </Section>
  );
}

/** Steps by phase, and within one as the sheet has them; what only a failure asks for is not laid out. */
function inOrderMet(sheet: Sheet): Sheet['steps'] {
  return PHASES.flatMap((phase) => sheet.steps.filter((s) => s.phase === phase && s.due.when !== 'atFailure' && s.kind !== 'mark'));
}
