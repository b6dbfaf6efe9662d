import { memo } from 'react';
import { textAt, upperFirst } from '@stennet/core/language';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { flatsOf, turnDial } from '@stennet/core/drawing';
import {
  type Stage,
  groupOfSeat,
  stageKindText,
  stageWords,
  type Sheet,
} from '@stennet/core/procedure';
import type { Formatter } from '@stennet/core/quantity';
import { type PullNext, type RunState } from '@stennet/core/run';
import { useSignedIn } from '@/data';
import { useInks } from '@/ui';
import { DrawingView } from '@/ui/work';
import { useSeenSheet } from '../hooks/useSeenSheet';
import { flatsText, whereIs, wrenchName } from '../say';
import { fastenerName, text } from '../text';
import { BigValue, PanelBody, PanelTitle } from './PanelText';

export function PullHead({
  due,
  state,
  isHuge,
}: {
  due: PullNext;
  state: RunState;
  isHuge: boolean;
}) {
  const inks = useInks();
  const { format } = useSignedIn();
  const { inHand, target } = due;
  const isAngle = due.task.action === 'angle';
  const value = inHand ? format.inHand(inHand) : null;
  const seen = useSeenSheet(state.sheet);
  const reason = textAt(text.reasons, due.reason);
  const flats = flatsOf(inHand?.value ?? 0);
  if (isHuge) return <HugeHead due={due} sheet={state.sheet} />;
  const kind = stageKindText(due.stage);
  return (
    <View role="status" aria-live="polite" style={styles.head}>
      <View style={styles.words}>
        <Text style={{ fontSize: 16, lineHeight: 22, color: inks.inkSoft }}>
          {kind ? (
            <Text
              style={{ fontWeight: '700', fontSize: 18, color: inks.brand }}
            >{`${kind}\n`}</Text>
          ) : null}
          <Text style={{ fontWeight: '700', fontSize: 18, color: inks.ink }}>
            {upperFirst(fastenerName(state.sheet, due.fastener))}
          </Text>
          {` · ${text.place({ n: due.ordinal, of: due.of })}`}
          {due.pass > 1 ? ` · ${text.round({ n: due.pass })}` : ''}
          {reason ? ` · ${reason}` : ''}
          {`\n${whereIs(seen, due.fastener)}`}
        </Text>
        {value ? (
          <BigValue number={isAngle ? `+${value.number}` : value.number} unit={value.unit} />
        ) : (
          <PanelTitle>{due.stage.name}</PanelTitle>
        )}
        <Under {...(isAngle ? angleWords(due) : torqueWords(due, format))} />
        {due.stage.helper ? (
          <PanelBody strong>{text.twoPeople({ what: due.stage.helper })}</PanelBody>
        ) : null}
        {due.stage.note ? <PanelBody>{due.stage.note}</PanelBody> : null}
      </View>
      {isAngle && inHand && target ? (
        <DrawingView
          drawing={turnDial(inHand.value, 0, groupOfSeat(state.sheet, due.seat).head)}
          label={text.dial({ deg: inHand.value, flats: flatsText(flats) })}
          width={132}
          height={132}
        />
      ) : null}
    </View>
  );
}

/** For a phone propped two metres away: which one, and the number. */
function HugeHead({ due, sheet }: { due: PullNext; sheet: Sheet }) {
  const inks = useInks();
  const { format } = useSignedIn();
  const { inHand } = due;
  const value = inHand ? format.inHand(inHand) : null;
  return (
    <View role="status" aria-live="polite">
      <Text style={{ fontSize: 64, lineHeight: 72, fontWeight: '700', color: inks.brand }}>
        {fastenerName(sheet, due.fastener)}
      </Text>
      <Text style={{ fontSize: 96, lineHeight: 104, fontWeight: '700', color: inks.ink }}>
        {value
          ? `${due.task.action === 'angle' ? '+' : ''}${value.number}${value.unit === '°' ? '°' : ''}`
          : due.stage.name}
      </Text>
      <Text style={{ fontSize: 30, lineHeight: 38, fontWeight: '700', color: inks.ink }}>
        {[
          value && value.unit !== '°' ? value.unit : '',
          text.place({ n: due.ordinal, of: due.of }),
          due.pass > 1 ? text.round({ n: due.pass }) : '',
        ]
          .filter(Boolean)
          .join(' · ')}
      </Text>
    </View>
  );
}

/** What stands below the number. */
interface Words {
  strong?: string;
  words: string;
  /** What the sheet publishes, where the number in hand is another. */
  published?: string;
}

/** From pull to pull it mostly says the same: not drawn again then. */
const Under = memo(function Under({ strong, words, published }: Words) {
  const inks = useInks();
  const bold = { fontWeight: '700', color: inks.ink } as const;
  return (
    <Text style={{ fontSize: 16, lineHeight: 24, color: inks.inkSoft }}>
      {strong ? <Text style={bold}>{strong}</Text> : null}
      {words}
      {published ? <Text style={[bold, styles.published]}>{published}</Text> : null}
    </Text>
  );
});

function angleWords({ inHand, target, tool }: PullNext): Words {
  const turned = (target?.value ?? 0) - (inHand?.value ?? 0);
  const soFar = turned > 0 ? ` · ${text.soFar({ angle: `${turned}°` })}` : '';
  return {
    strong: flatsText(flatsOf(inHand?.value ?? 0)),
    words: `, ${text.by[tool.method]}${soFar}`,
  };
}

function torqueWords({ task, stage, tool, inHand, target }: PullNext, format: Formatter): Words {
  if (task.action === 'loosen') return { words: loosenText((task.part ?? stage).loosen ?? 'free') };
  if (!target) return { words: text.by[tool.method] };
  const by = tool.wrench ? `${text.on({ tool: wrenchName(tool.wrench) })} · ` : '';
  if (stage.target && !('value' in stage.target) && !task.part) {
    const value = format.quantity(target).text;
    return { words: `${by}${text.chosen({ value, range: stageWords(stage, format) })}` };
  }
  return inHand?.unit === target.unit
    ? { words: `${by}${format.published(target)}` }
    : { words: `${by}${text.publishedAs} `, published: format.published(target) };
}

export const styles = StyleSheet.create({
  panel: { gap: 12 },
  row: { flexDirection: 'row', gap: 12 },
  head: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  words: { flex: 1, minWidth: 0 },
  published: { fontSize: 24 },
});

function loosenText(how: NonNullable<Stage['loosen']>): string {
  if (typeof how === 'object') return text.loosenBy({ deg: how.degrees });
  return how === 'free' ? text.loosenFree : text.loosenCrack;
}
