import { useState } from 'react';
import { View } from 'react-native';
import { upperFirst } from '@stennet/core/language';
import { actText, isSerious, lookName, lookText } from '@stennet/core/record';
import type { FailureKind, PullNext } from '@stennet/core/run';
import type { UnitCode } from '@stennet/core/quantity';
import type { Look, LookedAt, TraceClass, TracedPull } from '@stennet/core/trace';
import { useTraceLooks } from '@/data';
import { BigButton } from '@/ui';
import { TraceChart } from '@/ui/work';
import { text } from '../text';
import { PanelBody } from './PanelText';

/** What each of them is called where a fastener has failed; the others have no name there. */
const FAILS: Partial<Record<TraceClass, FailureKind>> = {
  strip: 'stripped',
  cross_thread: 'crossThreaded',
  bottoming: 'bottomed',
  liquid_lock: 'bottomed',
  wrong_lube: 'wrongCompound',
};
/** In an angle stage the thread has been through already: only what tears there can be said. */
const IN_ANGLE: Partial<Record<TraceClass, FailureKind>> = {
  strip: 'stripped',
  reused_yielded: 'wentSoft',
  wrong_lube: 'wrongCompound',
  angle_slip: 'angleLost',
};
export const failureOf = (due: PullNext, { is }: Look): FailureKind | undefined =>
  due.task.action === 'angle' ? IN_ANGLE[is] : FAILS[is];

/** One sentence, one thing to do. Never says that it is good. */
export function HeardVerdict({ look, bolt }: { look: LookedAt | null | undefined; bolt: string }) {
  if (look === undefined) return <PanelBody>{text.heard.judging}</PanelBody>;
  if (look === null) return null;
  const found = look.look;
  return (
    <View role={isSerious(found) ? 'alert' : 'status'} style={{ gap: 8 }}>
      {found && found.is !== 'ok' ? (
        <>
          <PanelBody strong>
            {text.heard.looksLike({
              bolt: upperFirst(bolt),
              look: lookName(found.is),
              why: found.why,
            })}
          </PanelBody>
          <PanelBody>{actText(found.is)}</PanelBody>
        </>
      ) : (
        <PanelBody>{found ? text.heard.fine : lookText(null)}</PanelBody>
      )}
    </View>
  );
}

/** On a tap, over the curves before it. */
export function HeardCurve(of: {
  bolt: string;
  unit: UnitCode;
  /** This one last, after those of its kind. */
  pulls: readonly TracedPull[];
}) {
  const [shows, setShows] = useState(false);
  return shows ? (
    <Curve {...of} />
  ) : (
    <BigButton text={text.heard.curve} look="quiet" onPress={() => setShows(true)} />
  );
}

/** Calculated beside the page. */
function Curve({
  bolt,
  unit,
  pulls,
}: {
  bolt: string;
  unit: UnitCode;
  pulls: readonly TracedPull[];
}) {
  const { data } = useTraceLooks('bolt', pulls);
  const id = pulls.at(-1)?.id ?? '';
  if (!data) return <PanelBody>{text.heard.judging}</PanelBody>;
  return (
    <TraceChart
      looked={data}
      bolt={id}
      odd={[]}
      unit={unit}
      label={text.heard.curveLabel({ bolt, count: pulls.length - 1 })}
    />
  );
}
