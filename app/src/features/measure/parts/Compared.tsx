import type { Joint } from '@stennet/core/contract';
import { PROCEDURE } from '@stennet/core/procedure';
import { measureKinds, type Judged } from '@stennet/core/measure';
import { useSignedIn } from '@/data';
import { Line, Section } from '@/ui';
import { Drawn } from '@/ui/measuring/Drawn';
import { Result } from '@/ui/measuring/Result';
import { text } from '../text';

/**
 * The same step of a joint that occurs several times: one cap against the others, as soon as two
 * are measured.
 */
interface Series {
  key: string;
  title: string;
  values: { row: string; mm: number }[];
}

export function Compared({ joints }: { joints: readonly Joint[] }) {
  const { format } = useSignedIn();
  return seriesOf(joints).map((s) => {
    const judged = judgedAs(s);
    const rows = s.values.map((v) => ({
      ...v,
      verdict: judged.found.find((f) => f.what === v.row)?.verdict ?? null,
    }));
    return (
      <Section key={s.key} title={text.compared({ what: s.title })}>
        <Drawn kind="wear" rows={rows} limits={{}} current={-1} />
        <Result what="wear" judged={judged} unit="mm" format={format} />
        {s.values.length < 6 ? <Line>{text.comparedFew}</Line> : null}
      </Section>
    );
  });
}

function seriesOf(joints: readonly Joint[]): Series[] {
  return joints.flatMap((joint) => {
    if (!joint.instances) return [];
    const runs = joint.runs.filter((r) => r.part === PROCEDURE && r.instance !== null);
    const steps = [...new Set(runs.flatMap((r) => r.standing.measured.map((m) => m.step)))];
    return steps.flatMap((step): Series[] => {
      const order = joint.instances?.labels ?? [];
      const values = order.flatMap((label) => {
        const own =
          runs
            .find((r) => r.instance === label)
            ?.standing.measured.filter((m) => m.step === step) ?? [];
        return own.map((m) => ({
          row: own.length > 1 && m.row ? `${label} ${m.row}` : label,
          mm: m.mm,
        }));
      });
      return values.length < 2
        ? []
        : [
            {
              key: `${joint.id} ${step}`,
              title: `${joint.name}, ${step.replace(/-/g, ' ')}`,
              values,
            },
          ];
    });
  });
}

const judgedAs = ({ values }: Series): Judged =>
  measureKinds.wear.judge({
    rows: values.map((v) => ({ row: v.row, values: [v.mm] })),
    limits: {},
    uncertaintyMm: 0,
  });
