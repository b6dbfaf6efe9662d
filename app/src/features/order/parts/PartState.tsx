import { StyleSheet, View } from 'react-native';
import { Menu, Text, TouchableRipple } from 'react-native-paper';
import { isAwaited, PART_STATES, PART_STATE_TEXT, type PartState } from '@stennet/core/order';
import { Icon, pressedBySpace, useInks } from '@/ui';
import { DropMenu } from '@/ui/DropMenu';
import { text } from '../text';

/** How a part stands, and what it may become: a menu, so that a list of parts stays a list. */
export function PartStateMenu({
  state,
  what,
  mayWrite,
  onPut,
}: {
  state: PartState | undefined;
  what: string;
  mayWrite: boolean;
  onPut: (state: PartState) => void;
}) {
  const inks = useInks();
  const shown = PART_STATE_TEXT[state ?? 'needed'];
  const color = isAwaited(state) ? inks.warnText : inks.ink;
  const words = <Text style={{ fontSize: 16, fontWeight: '700', color }}>{shown}</Text>;
  if (!mayWrite) return <View style={styles.still}>{words}</View>;
  const label = text.stateOf({ what, state: shown });
  return (
    <DropMenu
      label={label}
      anchor={(show) => (
        <TouchableRipple
          role="button"
          aria-haspopup="menu"
          aria-label={label}
          onPress={show}
          {...pressedBySpace(show)}
          style={[styles.button, { borderColor: inks.partEdge, backgroundColor: inks.card }]}
        >
          <View style={styles.inner}>
            {words}
            <Icon name="chevron-down" size={20} color={inks.inkSoft} />
          </View>
        </TouchableRipple>
      )}
    >
      {(close) =>
        PART_STATES.map((s) => (
          <Menu.Item
            key={s}
            title={PART_STATE_TEXT[s]}
            onPress={() => {
              close();
              onPut(s);
            }}
          />
        ))
      }
    </DropMenu>
  );
}

const styles = StyleSheet.create({
  button: { borderWidth: 1.5, borderRadius: 10, minHeight: 48, justifyContent: 'center' },
  inner: { flexDirection: 'row', alignItems: 'center', gap: 4, paddingLeft: 12, paddingRight: 8 },
  still: { minHeight: 48, justifyContent: 'center' },
});
