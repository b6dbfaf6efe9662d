import { clampOfRecord, type RecordClamp } from '@stennet/core/bench';
import { runRecord } from '@stennet/core/record';
import { useSignedIn } from '@/data';
import { useRun } from '@/data/runs';
import { FONT, Line, Notice, Section, useInks, ValueRow, Waiting, Why } from '@/ui';
import { BarChart, ChartFrame } from '@/ui/work';
import { text } from '../text';

/** What was read of one joint, and what can be said of its clamp loads from that. */
export function JointClamp({ run }: { run: string }) {
  const { me } = useSignedIn();
  const { loaded, reload } = useRun(run, me.person.id);
  if (loaded.status !== 'ready')
    return (
      <Waiting
        problem={loaded.status === 'failed' ? loaded.error : null}
        text={text}
        onRetry={reload}
      />
    );
  const clamp = clampOfRecord(runRecord(loaded.kept.sheet, loaded.state.events));
  if (!clamp) return <Notice title={text.joint.none} text={text.joint.noneText} />;
  return <Loads clamp={clamp} />;
}

function Loads({ clamp }: { clamp: RecordClamp }) {
  const { format } = useSignedIn();
  const { summary: s, byFriction, bolts } = clamp;
  const kn = (value: number): string =>
    format.quantity({ value: Math.round(value * 10) / 10, unit: 'kN' }).text;
  const percent = (share: number): string => format.number(share * 100, 0);
  return (
    <Section title={text.joint.title}>
      <Line strong>
        {text.joint.mean({
          kn: kn(s.meanKn),
          less: percent(byFriction.less),
          more: percent(byFriction.more),
        })}
      </Line>
      <Bars clamp={clamp} />
      <ValueRow name={text.joint.total} value={kn(s.totalKn)} />
      <ValueRow
        name={text.joint.weakest({ bolt: bolts[s.lowestIndex]?.bolt ?? '' })}
        value={kn(s.minKn)}
      />
      <ValueRow
        name={text.joint.spread}
        value={text.joint.percent({ n: percent((s.maxKn - s.minKn) / s.meanKn) })}
      />
      <Line>
        {clamp.read === 0
          ? text.joint.notRead
          : text.joint.read({ count: clamp.read, of: bolts.length })}
      </Line>
      <Line>{text.joint.unknown}</Line>
      <Why text={text.joint.why} />
    </Section>
  );
}

function Bars({ clamp: { bolts } }: { clamp: RecordClamp }) {
  const inks = useInks();
  const { format } = useSignedIn();
  const label = { color: inks.inkSoft, fontFamily: FONT, fontSize: 13 };
  const number = (n: number): string => format.number(n, 1);
  return (
    <ChartFrame
      height={181}
      label={text.joint.chartLabel({
        bolts: bolts
          .map((b) =>
            text.joint.bolt({
              bolt: b.bolt,
              kn: number(b.nominalKn),
              low: number(b.lowKn),
              high: number(b.highKn),
            }),
          )
          .join(', '),
      })}
    >
      {(width) => (
        <BarChart
          data={bolts.map((b) => ({ value: b.nominalKn, label: b.bolt, frontColor: inks.brand }))}
          height={150}
          width={width - 56}
          barWidth={Math.max(6, (width - 90) / bolts.length - 6)}
          spacing={6}
          initialSpacing={4}
          yAxisTextStyle={label}
          xAxisLabelTextStyle={label}
          yAxisLabelWidth={40}
          yAxisThickness={0}
          xAxisColor={inks.line}
          rulesColor={inks.line}
          noOfSections={3}
          disableScroll
        />
      )}
    </ChartFrame>
  );
}
