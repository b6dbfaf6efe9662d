import { useLocalSearchParams } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { seatMarks } from '@stennet/core/drawing';
import type { SheetReply } from '@stennet/core/contract/work';
import { initialState } from '@stennet/core/run';
import { problemOf, useSignedIn } from '@/data';
import { useSheet } from '@/data/sheets';
import { Card, Notice, ScreenFrame, useIsWide, Waiting } from '@/ui';
import { JointMapView, Ribbon, Prevails } from '@/ui/work';
import { Actions } from './parts/Actions';
import {
  Besides,
  Cautions,
  Fasteners,
  Later,
  Source,
  Stages,
  Steps,
  TakeApart,
} from './parts/Facts';
import { Answered } from './parts/Answered';
import { Conflicts, Revisions, TellApart, Uses } from './parts/Others';
import { SourcePages } from './parts/SourcePages';
import { UseOn } from './parts/UseOn';
import { text } from './text';

/** One sheet, whole: what is done, on what, by whose word, and what says otherwise. */
export function SheetScreen() {
  const { sheet, revision } = useLocalSearchParams<{ sheet: string; revision: string }>();
  const loaded = useSheet(sheet, revision);
  if (loaded.data) return <Ready data={loaded.data} />;
  return (
    <ScreenFrame title={text.find} back="/find" backLabel={text.backToFind}>
      <Waiting problem={problemOf(loaded)} text={text} onRetry={() => void loaded.refetch()} />
    </ScreenFrame>
  );
}

function Ready({ data }: { data: SheetReply }) {
  const isWide = useIsWide();
  const { sheet } = data;
  const { applies } = sheet;
  return (
    <ScreenFrame
      title={sheet.title}
      subtitle={`${applies.maker} ${applies.model}, ${applies.engine} · ${text.rev({ r: sheet.revision })}, ${text.status[sheet.status]}`}
      back="/find"
      backLabel={text.backToFind}
    >
      <View style={isWide ? styles.wide : styles.phone}>
        <View style={[styles.column, isWide && styles.left]}>
          {sheet.status === 'superseded' ? (
            <Notice
              title={text.superseded({ by: sheet.supersededBy ?? '' })}
              text={text.supersededText}
              look="warn"
            />
          ) : null}
          <TellApart data={data} />
          <Drawn data={data} />
          <Stages sheet={sheet} />
          <TakeApart sheet={sheet} />
          <Steps sheet={sheet} />
        </View>
        <View style={[styles.column, isWide && styles.right]}>
          <UseOn sheet={sheet} />
          <Actions data={data} />
          <Fasteners sheet={sheet} />
          <Besides sheet={sheet} />
          <Cautions sheet={sheet} />
          <Source sheet={sheet} approval={data.approval} />
          <SourcePages sheet={sheet} />
          <Answered sheet={sheet} />
          <Conflicts data={data} />
          <Revisions data={data} />
          <Later sheet={sheet} />
          <Uses data={data} />
          <Prevails sheet={sheet} />
        </View>
      </View>
    </ScreenFrame>
  );
}

function Drawn({ data }: { data: SheetReply }) {
  const { format } = useSignedIn();
  const { sheet } = data;
  const labels = Object.fromEntries(sheet.seats.map((s) => [s.id, s.id]));
  return (
    <Card>
      <Ribbon sheet={sheet} place={null} format={format} />
      <View style={styles.map}>
        <JointMapView
          sheet={sheet}
          marks={seatMarks(sheet, initialState(sheet).progress, null)}
          numbers={labels}
          label={text.mapLabel({ title: sheet.title, n: sheet.seats.length })}
        />
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({
  phone: { gap: 12 },
  wide: { flexDirection: 'row', gap: 12, alignItems: 'flex-start' },
  column: { gap: 12 },
  left: { flex: 3 },
  right: { flex: 2 },
  map: { height: 230 },
});
