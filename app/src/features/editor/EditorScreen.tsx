import { useLocalSearchParams } from 'expo-router';
import { useState, type ReactNode } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { useDraft, type Editing } from '@/data/drafts';
import { Chip, HeadButton, Line, ScreenFrame, useInks, useIsWide, Waiting } from '@/ui';
import { EditorContext, useEditor, useEditorOf } from './hooks/useEditor';
import { usePages } from './hooks/usePages';
import { useReading, type Reading } from './hooks/useReading';
import { useTapping } from './hooks/useTapping';
import { usePlacing, type Placing } from './hooks/usePlacing';
import { AboutTab } from './parts/AboutTab';
import { FromPage } from './parts/FromPage';
import { GroupsTab } from './parts/GroupsTab';
import { LineTab } from './parts/LineTab';
import { PagePane } from './parts/PagePane';
import { PlaceCanvas } from './parts/PlaceCanvas';
import { PlacesTab } from './parts/PlacesTab';
import { ReadyTab } from './parts/ReadyTab';
import { Refused } from './parts/Refused';
import { StagesTab } from './parts/StagesTab';
import { StepsTab } from './parts/StepsTab';
import { WalkTab } from './parts/WalkTab';
import { text, type Tab } from './text';

const TABS = Object.keys(text.tabs) as Tab[];

/**
 * Writing a sheet: the map on one side, what is said on the other, the checks beside each field.
 */
export function EditorScreen() {
  const { sheet } = useLocalSearchParams<{ sheet: string }>();
  const { editing, error, retry } = useDraft(sheet);
  if (editing) return <Ready editing={editing} onReload={retry} />;
  return (
    <ScreenFrame title={text.untitled} back="/library" backLabel={text.back}>
      <Waiting problem={error} text={text} onRetry={retry} />
    </ScreenFrame>
  );
}

function Ready({ editing, onReload }: { editing: Editing; onReload: () => void }) {
  const editor = useEditorOf(editing);
  return (
    <EditorContext.Provider value={editor}>
      <Frame editing={editing} onReload={onReload} />
    </EditorContext.Provider>
  );
}

function Frame({ editing, onReload }: { editing: Editing; onReload: () => void }) {
  const editor = useEditor();
  const { draft } = editor;
  const isWide = useIsWide();
  const [tab, setTab] = useState<Tab>(
    draft.stages.length === 0 && draft.seats.length === 0 ? 'line' : 'places',
  );
  const placing = usePlacing();
  const tapOrder = (stageId: string): void => {
    placing.begin(stageId);
    setTab('places');
  };
  const [showsPage, setShowsPage] = useState((draft.source.pages ?? []).length > 0);
  const pages = usePages(() => setShowsPage(true));
  const reading = useReading(pages);
  const tapping = useTapping(pages, editor);
  // On the phone a page that is tapped on has the whole screen.
  const isAlone = tapping.isOn && showsPage && !isWide;
  // On the phone a run that is walked through needs the room.
  const hasRoom = isWide || tab !== 'walk';
  const beside = !hasRoom ? null : showsPage ? (
    <PagePane pages={pages} reading={reading} tapping={tapping} />
  ) : isWide || tab === 'places' ? (
    <PlaceCanvas draft={draft} placing={placing} />
  ) : null;
  return (
    <ScreenFrame
      title={draft.title || text.untitled}
      subtitle={text.sub({
        where: `${draft.applies.maker} ${draft.applies.engine}`,
        revision: draft.revision,
      })}
      back="/library"
      backLabel={text.back}
      right={<UndoButtons editing={editing} />}
      fixed
    >
      <View style={isWide ? styles.wide : styles.phone}>
        {beside ? (
          <Beside isWide={isWide} isAlone={isAlone}>
            {beside}
          </Beside>
        ) : null}
        <View style={[styles.panel, isAlone && styles.away]}>
          <Tabs
            tab={tab}
            onTab={(next) => {
              setTab(next);
              // On the phone there is room for one of both.
              if (next === 'places' && !isWide) setShowsPage(false);
            }}
            showsPage={showsPage}
            onPage={() => setShowsPage(!showsPage)}
          />
          <ScrollView ref={scrolledAsOnTheWeb} contentContainerStyle={styles.body} tabIndex={0}>
            <Refused editing={editing} onReload={onReload} />
            <Part
              tab={tab}
              placing={placing}
              editing={editing}
              reading={reading}
              hasPage={pages.shown.length > 0}
              onTapOrder={tapOrder}
              onTab={setTab}
            />
          </ScrollView>
        </View>
      </View>
    </ScreenFrame>
  );
}

/**
 * A list that is sorted by keys scrolls its box the web's own way. React Native puts its scrollTo
 * over that, and reads `top` as nothing: the list would stay where it is.
 */
function scrolledAsOnTheWeb(box: ScrollView | null): void {
  if (box && Object.hasOwn(box, 'scrollTo')) Reflect.deleteProperty(box, 'scrollTo');
}

/** What is looked at while someone types: the map, or the page it is written from. */
function Beside({
  isWide,
  isAlone,
  children,
}: {
  isWide: boolean;
  isAlone: boolean;
  children: ReactNode;
}) {
  const inks = useInks();
  return (
    <View
      style={[
        isWide ? styles.mapWide : isAlone ? styles.alone : styles.mapPhone,
        { backgroundColor: inks.card },
      ]}
    >
      {children}
    </View>
  );
}

function Tabs({
  tab,
  onTab,
  showsPage,
  onPage,
}: {
  tab: Tab;
  onTab: (tab: Tab) => void;
  showsPage: boolean;
  onPage: () => void;
}) {
  const { findings } = useEditor();
  const errors = findings.filter((f) => f.level === 'error').length;
  const isWide = useIsWide();
  const chips = TABS.map((t) => (
    <Chip
      key={t}
      role="tab"
      text={t === 'ready' && errors > 0 ? `${text.tabs.ready} ${errors}` : text.tabs[t]}
      on={t === tab}
      onPress={() => onTab(t)}
    />
  ));
  const list = (
    <View
      role={'tablist' as never}
      aria-label={text.tabList}
      style={[styles.tabList, isWide && styles.tabWrap]}
    >
      {chips}
    </View>
  );
  const page = <Chip role="checkbox" text={text.page} on={showsPage} onPress={onPage} />;
  return isWide ? (
    <View style={[styles.tabRow, styles.tabWrap]}>
      {page}
      {list}
    </View>
  ) : (
    <ScrollView horizontal style={styles.tabs} contentContainerStyle={styles.tabRow} tabIndex={0}>
      {page}
      {list}
    </ScrollView>
  );
}

function Part({
  tab,
  placing,
  editing,
  reading,
  hasPage,
  onTapOrder,
  onTab,
}: {
  tab: Tab;
  placing: Placing;
  editing: Editing;
  reading: Reading;
  hasPage: boolean;
  onTapOrder: (stageId: string) => void;
  onTab: (tab: Tab) => void;
}) {
  switch (tab) {
    case 'line':
      return (
        <>
          <LineTab />
          <FromPage reading={reading} hasPage={hasPage} />
        </>
      );
    case 'places':
      return <PlacesTab placing={placing} />;
    case 'fasteners':
      return <GroupsTab />;
    case 'stages':
      return <StagesTab onTapOrder={onTapOrder} />;
    case 'steps':
      return <StepsTab />;
    case 'about':
      return <AboutTab />;
    case 'walk':
      return <WalkTab />;
    case 'ready':
      return <ReadyTab editing={editing} onTab={onTab} />;
  }
}

/** Back and forward, and where the last letter is kept. */
function UndoButtons({ editing }: { editing: Editing }) {
  const { keeper, state } = editing;
  const isWide = useIsWide();
  return (
    <View style={styles.steps}>
      {isWide ? (
        <View role="status">
          <Line>{text.saving[state.saving]}</Line>
        </View>
      ) : null}
      <HeadButton
        text={isWide ? text.undo : '↶'}
        label={text.undo}
        onPress={() => keeper.undo()}
        disabled={!state.canUndo}
      />
      <HeadButton
        text={isWide ? text.redo : '↷'}
        label={text.redo}
        onPress={() => keeper.redo()}
        disabled={!state.canRedo}
      />
    </View>
  );
}

const styles = StyleSheet.create({
  wide: { flex: 1, flexDirection: 'row', minHeight: 0 },
  phone: { flex: 1, minHeight: 0 },
  mapWide: { flex: 3, margin: 12, borderRadius: 14, overflow: 'hidden' },
  alone: { flex: 1, minHeight: 0 },
  away: { display: 'none' },
  mapPhone: { height: 270, margin: 8, marginBottom: 0, borderRadius: 14, overflow: 'hidden' },
  panel: { flex: 2, minWidth: 0, minHeight: 0 },
  tabs: { flexGrow: 0, flexShrink: 0 },
  tabRow: { flexDirection: 'row', gap: 8, padding: 8, alignItems: 'center' },
  tabList: { flexDirection: 'row', gap: 8, alignItems: 'center', flexShrink: 1 },
  tabWrap: { flexWrap: 'wrap' },
  body: { padding: 8, gap: 12, paddingBottom: 40 },
  steps: { flexDirection: 'row', gap: 8, alignItems: 'center' },
});
