import { jointKindText } from '@stennet/core/procedure';
import { Link } from 'expo-router';
import { memo } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import type { SheetBrief } from '@stennet/core/contract/work';
import { useSignedIn } from '@/data';
import { Card, useInks } from '@/ui';
import { Ribbon } from '@/ui/work';
import { text } from '../text';
import { marksOf, revisionOf } from './marks';

/** A sheet in a list: what it is, its ribbon, its line, and what must not be overlooked. */
/** Drawn once for a revision: while someone types, the same sheets are found again and again. */
export const SheetCard = memo(
  Drawn,
  (a, b) =>
    a.brief.sheet === b.brief.sheet &&
    a.brief.revision === b.brief.revision &&
    a.brief.status === b.brief.status,
);

function Drawn({ brief }: { brief: SheetBrief }) {
  const inks = useInks();
  const { format } = useSignedIn();
  const isOld = brief.status !== 'approved';
  return (
    <Link
      href={`/sheets/${brief.sheet}/${brief.revision}`}
      aria-label={text.open({ title: `${brief.title}, ${text.rev({ r: brief.revision })}` })}
      style={styles.link}
    >
      <Card {...(isOld ? { edge: 'warn' as const } : {})}>
        <View style={styles.head}>
          <Text style={{ flex: 1, fontSize: 18, fontWeight: '700', color: inks.ink }}>
            {brief.title}
          </Text>
          <Text
            style={{ fontSize: 15, fontWeight: '700', color: isOld ? inks.warnText : inks.inkSoft }}
          >
            {revisionOf(brief)}
          </Text>
        </View>
        <Text
          style={{ fontSize: 15, color: inks.inkSoft }}
        >{`${brief.maker} ${brief.model}, ${brief.engine} · ${jointKindText(brief.kind)}`}</Text>
        <Ribbon sheet={{ stages: brief.stages }} place={null} format={format} height={48} />
        <Text style={{ fontSize: 15, lineHeight: 21, color: inks.ink }}>{brief.line}</Text>
        <Text style={{ fontSize: 15, lineHeight: 21, color: inks.ink, fontWeight: '700' }}>
          {marksOf(brief).join(' · ')}
        </Text>
        <Text style={{ fontSize: 14, lineHeight: 20, color: inks.inkSoft }}>{brief.source}</Text>
      </Card>
    </Link>
  );
}

const styles = StyleSheet.create({
  // What is below the screen is laid out when it comes into sight.
  link: {
    display: 'flex',
    flexDirection: 'column',
    contentVisibility: 'auto',
    containIntrinsicSize: 'auto 240px',
  } as never,
  head: { flexDirection: 'row', gap: 8, alignItems: 'baseline' },
});
