import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text, TouchableRipple } from 'react-native-paper';
import { isAwaited } from '@stennet/core/order';
import { isWrongPart, type PartLine } from '@stennet/core/prepare';
import { type Sheet } from '@stennet/core/procedure';
import { useSignedIn } from '@/data';
import { Icon, Notice, pressedBySpace, useInks } from '@/ui';
import { usePart } from '../hooks/usePart';
import { text } from '../text';
import { PartDetail, type PartProps } from './PartDetail';
import { PartStateMenu } from './PartState';

/** One part on one row: what, how many, how it stands, what is wrong with it. The rest unfolds. */
export function PartRow(props: PartProps) {
  const { order, line, sheet, mayWrite } = props;
  const inks = useInks();
  const [open, setOpen] = useState(false);
  const { problem, putState } = usePart(order, line);
  const { need } = line;
  const fact = useFact(line, sheet);
  const toggle = (): void => setOpen(!open);
  return (
    <View style={[styles.part, { borderTopColor: inks.line }]}>
      <View style={styles.row}>
        <TouchableRipple
          role="button"
          aria-expanded={open}
          aria-label={text.partMore({ what: need.what })}
          onPress={toggle}
          {...pressedBySpace(toggle)}
          style={styles.name}
        >
          <View style={styles.inner}>
            <Icon name={open ? 'chevron-up' : 'chevron-down'} size={22} color={inks.inkSoft} />
            <View style={styles.words}>
              <Text style={{ fontSize: 16, fontWeight: '700', color: inks.ink }}>
                {text.count({ n: need.count, what: need.what })}
              </Text>
              {fact.text ? (
                <Text style={{ fontSize: 15, color: fact.isWarn ? inks.warnText : inks.inkSoft }}>
                  {fact.text}
                </Text>
              ) : null}
            </View>
          </View>
        </TouchableRipple>
        {need.need === 'reuse' ? null : (
          <PartStateMenu
            state={line.entry?.body.state}
            what={need.what}
            mayWrite={mayWrite}
            onPut={putState}
          />
        )}
      </View>
      {problem ? <Notice title={problem} look="warn" alert /> : null}
      {open ? <PartDetail {...props} /> : null}
    </View>
  );
}

/** The one thing to know about a part at a glance. */
export function useFact(
  { entry, jointName }: PartLine,
  sheet: Sheet | undefined,
): { text: string; isWarn: boolean } {
  const { format } = useSignedIn();
  const body = entry?.body;
  if (body && sheet && isWrongPart(body, sheet)) return { text: text.wrong, isWarn: true };
  const from = [
    isAwaited(body?.state) && body?.due ? text.dueOn({ day: format.day(body.due) }) : '',
    body?.number ?? '',
    body?.lot ? `${text.lot} ${body.lot}` : '',
    body?.receivedBy && !isAwaited(body.state) ? text.takenIn({ by: body.receivedBy }) : '',
  ].filter(Boolean);
  return { text: from.length > 0 ? from.join(' · ') : jointName, isWarn: false };
}

const styles = StyleSheet.create({
  part: { borderTopWidth: 1, gap: 8, paddingVertical: 4 },
  row: { flexDirection: 'row', alignItems: 'center', gap: 10 },
  name: { flex: 1, minWidth: 0, minHeight: 56, justifyContent: 'center', borderRadius: 10 },
  inner: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  words: { flex: 1, minWidth: 0 },
});
