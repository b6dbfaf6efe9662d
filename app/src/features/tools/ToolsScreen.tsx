import { commonText } from '@/language/common';
import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { isAllowed } from '@stennet/core/contract';
import type { ShopToolKind } from '@stennet/core/prepare';
import { asAppError, problemOf, useSignedIn, useTools, type KeptTool } from '@/data';
import { BigButton, Card, Line, Notice, ScreenFrame, Section, useIsWide, Waiting } from '@/ui';
import { ToolForm } from './parts/ToolForm';
import { ToolRow } from './parts/ToolRow';
import { ToolsTable } from './parts/ToolsTable';
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
  const { at } = useLocalSearchParams<{ at?: string }>();
  const first = [...(list ?? [])].sort((a, b) =>
    text.kinds[a.tool.kind].localeCompare(text.kinds[b.tool.kind]),
  )[0];
  const chosen = list?.find((t) => t.id === at) ?? first;
  const editor = editing ? (
    <ToolForm
      key={editing === 'new' ? 'new' : editing.id}
      kept={editing === 'new' ? null : editing}
      onClose={() => setEditing(null)}
    />
  ) : null;
  return (
    <ScreenFrame title={text.title} back="/shop" backLabel={commonText.backToShop}>
      {isWide ? null : editor}
      {mayWrite && !editing ? (
        <View style={isWide ? styles.add : null}>
          <BigButton text={text.add} look="plain" size="desk" onPress={() => setEditing('new')} />
        </View>
      ) : null}
      {list ? (
        list.length === 0 ? (
          <Notice title={text.empty} text={text.emptyText} />
        ) : isWide ? (
          <View style={styles.wide}>
            <View style={styles.left}>
              <Card>
                <ToolsTable tools={list} chosen={chosen?.id} />
              </Card>
            </View>
            <View style={styles.right}>
              {editor}
              {chosen && !editing ? (
                <Section title={chosen.tool.name}>
                  <ToolRow kept={chosen} onEdit={mayWrite ? () => setEditing(chosen) : null} />
                </Section>
              ) : null}
            </View>
          </View>
        ) : (
          <View style={styles.phone}>
            {GROUPS.map(([name, kinds]) => {
              const own = list.filter((t) => kinds.includes(t.tool.kind));
              if (own.length === 0) return null;
              return (
                <Section key={name} title={text.groups[name]}>
                  {own.map((t) => (
                    <ToolRow key={t.id} kept={t} onEdit={mayWrite ? () => setEditing(t) : null} />
                  ))}
                </Section>
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
  add: { alignSelf: 'flex-start', minWidth: 220 },
  wide: { flexDirection: 'row', gap: 12, alignItems: 'flex-start' },
  left: { flex: 3, minWidth: 0 },
  right: { flex: 2, minWidth: 0, gap: 12 },
});
