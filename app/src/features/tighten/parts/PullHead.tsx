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
        <Text style={{ fontSize: 16, lineHeight: 24, color: inks.inkSoft }}>
          {isAngle ? <AngleLine due={due} flats={flats} /> : <TorqueLine due={due} />}
        </Text>
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

function AngleLine({ due, flats }: { due: PullNext; flats: ReturnType<typeof flatsOf> }) {
  const inks = useInks();
  const turned = (due.target?.value ?? 0) - (due.inHand?.value ?? 0);
  return (
    <>
      <Text style={{ fontWeight: '700', color: inks.ink }}>{flatsText(flats)}</Text>
      {`, ${text.by[due.tool.method]}`}
      {turned > 0 ? ` · ${text.soFar({ angle: `${turned}°` })}` : ''}
    </>
  );
}

function TorqueLine({ due }: { due: PullNext }) {
  const inks = useInks();
  const { format } = useSignedIn();
  if (due.task.action === 'loosen') {
    const how = (due.task.part ?? due.stage).loosen ?? 'free';
    return <>{loosenText(how)}</>;
  }
  if (!due.target) return <>{text.by[due.tool.method]}</>;
  return (
    <>
      {due.tool.wrench ? `${text.on({ tool: wrenchName(due.tool.wrench) })} · ` : ''}
      {due.stage.target && !('value' in due.stage.target) && !due.task.part ? (
        text.chosen({
          value: format.quantity(due.target).text,
          range: stageWords(due.stage, format),
        })
      ) : due.inHand?.unit === due.target.unit ? (
        format.published(due.target)
      ) : (
        <Text>
          {`${text.publishedAs} `}
          <Text style={{ fontWeight: '700', fontSize: 24, color: inks.ink }}>
            {format.published(due.target)}
          </Text>
        </Text>
      )}
    </>
  );
}

export const styles = StyleSheet.create({
  panel: { gap: 12 },
  row: { flexDirection: 'row', gap: 12 },
  head: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  words: { flex: 1, minWidth: 0 },
});

function loosenText(how: NonNullable<Stage['loosen']>): string {
  if (typeof how === 'object') return text.loosenBy({ deg: how.degrees });
  return how === 'free' ? text.loosenFree : text.loosenCrack;
}
