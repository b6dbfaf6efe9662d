import { caliperSees, CALIPER_MM, usesOf, type ClampCase } from '@stennet/core/clamp';
import { useSignedIn } from '@/data';
import { Line, Section, ValueRow, Why } from '@/ui';
import { text } from '../text';

/** Why it is used once: what each use takes of what it can stretch before it breaks. */
export function FurtherUses({ of }: { of: ClampCase }) {
  const { format } = useSignedIn();
  const uses = usesOf(of);
  const [first] = uses;
  const mm = (n: number): string => format.quantity({ value: n, unit: 'mm' }).text;
  if (!first)
    return (
      <Section title={text.uses.title}>
        <Line strong>{text.uses.elastic}</Line>
        <Line>{text.uses.maker}</Line>
      </Section>
    );
  const set = Math.round(first.setMm * 100) / 100;
  return (
    <Section title={text.uses.title}>
      <Line strong>{text.uses.stays({ mm: mm(set) })}</Line>
      <Line>{text.uses.of}</Line>
      {uses.map((use, i) => (
        <ValueRow
          key={i}
          name={text.uses.after({ n: i + 1 })}
          value={
            use.used >= 1
              ? text.uses.breaks
              : text.uses.gone({ percent: format.number(use.used * 100, 0) })
          }
        />
      ))}
      <Line>
        {(caliperSees(first.setMm) ? text.uses.seen : text.uses.notSeen)({ mm: mm(CALIPER_MM) })}
      </Line>
      <Line>{text.uses.maker}</Line>
      <Why text={text.uses.why} />
    </Section>
  );
}
