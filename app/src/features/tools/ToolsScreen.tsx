import { commonText } from '@/language/common';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { isAllowed } from '@stennet/core/contract';
import type { ShopToolKind } from '@stennet/core/prepare';
import { asAppError, problemOf, useSignedIn, useTools, type KeptTool } from '@/data';
import { BigButton, Line, Notice, ScreenFrame, Section, useIsWide, Waiting } from '@/ui';
import { ToolForm } from './parts/ToolForm';
import { ToolRow } from './parts/ToolRow';
import { text } from './text';

const GROUPS: [keyof typeof text.groups, readonly ShopToolKind[]][] = [
  ['wrenches', ['click', 'dial', 'digital']],
  ['bars', ['bar', 'angleGauge', 'crowfoot']],
  ['holding', ['drawingTool', 'crankLock', 'stand']],
];

/** What the shop has for tightening. A lead keeps it; everyone sees what is in calibration. */
export function ToolsScreen() {
  const { me } = useSignedIn();
  const tools = useTools();
  const isWide = useIsWide();
  const [editing, setEditing] = useState<KeptTool | 'new' | null>(null);
  const mayWrite = isAllowed(me.role, 'tool.write');
  const list = tools.data;
  return (
    <ScreenFrame title={text.title} back="/shop" backLabel={commonText.backToShop}>
      {editing ? (
        <ToolForm
          key={editing === 'new' ? 'new' : editing.id}
          kept={editing === 'new' ? null : editing}
          onClose={() => setEditing(null)}
        />
      ) : null}
      {mayWrite && !editing ? (
        <BigButton text={text.add} look="plain" size="desk" onPress={() => setEditing('new')} />
      ) : null}
      {list ? (
        list.length === 0 ? (
          <Notice title={text.empty} text={text.emptyText} />
        ) : (
          <View style={isWide ? styles.wide : styles.phone}>
            {GROUPS.map(([name, kinds]) => {
              const own = list.filter((t) => kinds.includes(t.tool.kind));
              if (own.length === 0) return null;
              return (
                <View key={name} style={isWide && styles.column}>
                  <Section title={text.groups[name]}>
                    {own.map((t) => (
                      <ToolRow key={t.id} kept={t} onEdit={mayWrite ? () => setEditing(t) : null} />
                    ))}
                  </Section>
                </View>
              );
            })}
          </View>
        )
      ) : (
        <Waiting problem={problemOf(tools)} text={text} onRetry={() => void tools.refetch()} />
      )}
      {list && tools.isError ? <Line>{asAppError(tools.error).message}</Line> : null}
    </ScreenFrame>
  );
}

const styles = StyleSheet.create({
  phone: { gap: 12 },
  wide: { flexDirection: 'row', gap: 12, alignItems: 'flex-start' },
  column: { flex: 1, minWidth: 0 },
});
