import { commonText } from '@/language/common';
import type { JointSheet } from '@stennet/core/contract/work';
import { seatMarks } from '@stennet/core/drawing';
import { type Sheet, isByFastener, stageAt, orderOf } from '@stennet/core/procedure';
import { initialState } from '@stennet/core/run';
import { useRouter } from 'expo-router';
import { View, StyleSheet } from 'react-native';
import { useSignedIn } from '@/data';
import { Notice, Section, Line } from '@/ui';
import { JointMapView, Ribbon, SourceLines } from '@/ui/work';
import { text } from '../text';
import { TakeSheet } from './WhichOne';

/** Begun already: nothing is begun twice. */
export function There({ name, run }: { name: string; run: string }) {
  const router = useRouter();
  return (
    <Notice
      title={text.already({ name })}
      action={{ text: text.alreadyGo, onPress: () => router.navigate(`/runs/${run}`) }}
    />
  );
}

export function ApartOpen({ run }: { run: string }) {
  const router = useRouter();
  return (
    <Notice
      title={text.apartOpen}
      text={text.apartOpenText}
      action={{ text: text.apartGo, onPress: () => router.navigate(`/runs/${run}`) }}
      look="warn"
      alert
    />
  );
}

/**
 * In which order and how far each is slackened, in words: warm or cold, ends first, a bit at a
 * time.
 */
export function Slackening({ data: { sheet } }: { data: JointSheet }) {
  return (
    <Section title={text.slackening}>
      {sheet.stages.map((s, i) => (
        <Line
          key={s.id}
          strong={i === 0}
        >{`${i + 1}. ${[s.name, orderWords(sheet, i), s.note ?? ''].filter(Boolean).join('. ')}`}</Line>
      ))}
    </Section>
  );
}
const orderWords = (sheet: Sheet, index: number): string =>
  isByFastener(stageAt(sheet, index)) ? orderOf(sheet, index).join(' · ') : '';
/** A newer revision stands: nothing is begun by the old one without someone saying so. */
export function Replaced({ data, by }: { data: JointSheet; by: string }) {
  return (
    <>
      <Notice
        title={text.which.replaced({ old: data.sheet.revision, by })}
        text={text.which.replacedText}
        look="warn"
      />
      <TakeSheet
        joint={data.joint}
        sheet={data.sheet.id}
        revision={by}
        label={text.which.takeNewer({ by })}
      />
    </>
  );
}

/** Open times and waiting times are known before the first bead, not after it. */
export function Clocks({ data: { sheet } }: { data: JointSheet }) {
  if (sheet.clocks.length === 0) return null;
  const words = sheet.clocks.map((c) =>
    c.kind === 'within'
      ? text.within({ minutes: c.minutes, what: c.text })
      : text.notBefore({ minutes: c.minutes, what: c.text }),
  );
  return <Notice title={text.clocks} text={[...words, text.clocksText].join(' ')} look="warn" />;
}

export function Cautions({ data: { sheet } }: { data: JointSheet }) {
  if (sheet.cautions.length === 0) return null;
  return (
    <Section title={text.cautions}>
      <View style={{ gap: 6 }}>
        {sheet.cautions.map((c) => (
          <Line key={c} strong>
            {c}
          </Line>
        ))}
      </View>
    </Section>
  );
}

export function Procedure({ data }: { data: JointSheet }) {
  const { format } = useSignedIn();
  const { sheet } = data;
  return (
    <Section title={commonText.titleRev({ title: sheet.title, revision: sheet.revision })}>
      <Ribbon sheet={sheet} place={null} format={format} />
      <View style={{ height: 106 }}>
        <JointMapView
          sheet={sheet}
          marks={seatMarks(sheet, initialState(sheet).progress, null)}
          numbers={{}}
          label={text.mapLabel({ joint: data.order.joint, n: sheet.seats.length })}
        />
      </View>
      <SourceLines sheet={sheet} format={format} />
    </Section>
  );
}

export const styles = StyleSheet.create({
  phone: { gap: 12 },
  wide: { flexDirection: 'row', gap: 12, alignItems: 'flex-start' },
  column: { gap: 12 },
  half: { flex: 1, minWidth: 0 },
});
