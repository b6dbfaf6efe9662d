import { View } from 'react-native';
import { assignGroup, movePlace, removePlaces, studAndNut } from '@stennet/core/draft';
import {
  BigButton,
  ChoiceField,
  Chip,
  FieldLabel,
  FieldRow,
  Line,
  NumberField,
  Section,
  TextField,
} from '@/ui';
import { useEditor } from '../hooks/useEditor';
import { type Mode, type Placing } from '../hooks/usePlacing';
import { withoutUnset } from '../lists';
import { options } from '../options';
import { text } from '../text';
import { NamesField } from './NamesField';
import { PatternForm, styles } from './PatternForm';

const MODES: readonly Mode[] = ['add', 'move', 'number', 'select'];

/** Where the fasteners sit: put by tapping, dragging or pattern, numbered by tapping in order. */
export function PlacesTab({ placing }: { placing: Placing }) {
  const { draft } = useEditor();
  return (
    <>
      <Section title={text.mode}>
        <View role="radiogroup" aria-label={text.mode} style={styles.wrap}>
          {MODES.map((m) => (
            <Chip
              key={m}
              role="radio"
              text={text.modes[m]}
              on={placing.mode === m}
              onPress={() => placing.setMode(m)}
            />
          ))}
          <Chip
            role="checkbox"
            text={text.grid}
            on={placing.snaps}
            onPress={() => placing.setSnaps(!placing.snaps)}
          />
        </View>
        <Line>{text.modeHelp[placing.mode]}</Line>
        {placing.mode === 'number' || placing.mode === 'order' ? (
          <Tapping placing={placing} />
        ) : null}
        {placing.selected.length > 0 ? <Selected placing={placing} /> : null}
      </Section>
      <PatternForm />
      <Section title={text.placesList}>
        {draft.pattern.positions.length === 0 ? <Line>{text.noPlaces}</Line> : null}
        <View style={styles.wrap}>
          {draft.pattern.positions.map((p) => (
            <Chip
              key={p.label}
              role="checkbox"
              text={
                placing.tapped.includes(p.label)
                  ? `${p.label} → ${placing.tapped.indexOf(p.label) + 1}`
                  : p.label
              }
              on={placing.selected.includes(p.label) || placing.tapped.includes(p.label)}
              onPress={() => placing.tapPlace(p.label)}
            />
          ))}
        </View>
        <Landmarks />
        <SeenFrom />
      </Section>
    </>
  );
}

function Tapping({ placing }: { placing: Placing }) {
  const { draft } = useEditor();
  const { tapped } = placing;
  return (
    <>
      <View role="status">
        <Line strong>{text.counted({ n: tapped.length, of: draft.pattern.positions.length })}</Line>
      </View>
      <FieldRow>
        <BigButton
          text={placing.mode === 'number' ? text.useNumbers : text.useOrder}
          size="desk"
          onPress={placing.finish}
          disabled={tapped.length === 0}
          grow
        />
        <BigButton
          text={text.lastBack}
          look="quiet"
          size="desk"
          onPress={placing.takeBack}
          disabled={tapped.length === 0}
        />
        <BigButton
          text={text.startOver}
          look="quiet"
          size="desk"
          onPress={placing.startOver}
          disabled={tapped.length === 0}
        />
      </FieldRow>
    </>
  );
}

function Selected({ placing }: { placing: Placing }) {
  const { draft, change, problem } = useEditor();
  const { selected } = placing;
  const [only] = selected;
  const place =
    selected.length === 1 ? draft.pattern.positions.find((p) => p.label === only) : undefined;
  const groups = new Set(
    draft.seats.filter((s) => selected.includes(s.position)).map((s) => s.group),
  );
  const first = draft.pattern.positions.find((p) => p.label === only);
  const tag = (tags: string[]): void =>
    change((d) => {
      const positions = d.pattern.positions.map((p) =>
        selected.includes(p.label)
          ? withoutUnset({ ...p, tags: tags.length > 0 ? tags : undefined })
          : p,
      );
      return { ...d, pattern: { ...d.pattern, positions } };
    }, 'tags');
  return (
    <View style={styles.selected}>
      <FieldLabel>{text.chosen({ count: selected.length })}</FieldLabel>
      {place ? (
        <FieldRow>
          <NumberField
            label={text.x}
            value={place.xMm}
            onChange={(xMm) =>
              xMm !== undefined &&
              change((d) => movePlace(d, place.label, { ...place, xMm }), `x ${place.label}`)
            }
          />
          <NumberField
            label={text.y}
            value={place.yMm}
            onChange={(yMm) =>
              yMm !== undefined &&
              change((d) => movePlace(d, place.label, { ...place, yMm }), `y ${place.label}`)
            }
          />
        </FieldRow>
      ) : null}
      {draft.groups.length > 1 ? (
        <ChoiceField
          label={text.giveTo}
          value={groups.size === 1 ? [...groups][0] : undefined}
          options={draft.groups.map((g) => ({ value: g.id, text: g.name || g.id }))}
          onChange={(group) => change((d) => assignGroup(d, selected, group))}
        />
      ) : null}
      <StudAndNut labels={selected} />
      <NamesField
        label={text.tags}
        names={first?.tags ?? []}
        onChange={tag}
        problem={problem(
          `pattern.positions.${draft.pattern.positions.findIndex((p) => p.label === only)}.tags`,
        )}
      />
      <FieldRow>
        <BigButton
          text={text.removePlaces({ count: selected.length })}
          look="warn"
          size="desk"
          onPress={() => {
            change((d) => removePlaces(d, selected));
            placing.setSelected([]);
          }}
        />
        <BigButton
          text={text.chooseNone}
          look="quiet"
          size="desk"
          onPress={() => placing.setSelected([])}
        />
        <BigButton
          text={text.chooseAll}
          look="quiet"
          size="desk"
          onPress={() => placing.setSelected(draft.pattern.positions.map((p) => p.label))}
        />
      </FieldRow>
    </View>
  );
}

/** Places that hold a stud with its nut: the stud becomes a fastener of its own. */
function StudAndNut({ labels }: { labels: readonly string[] }) {
  const { draft, change } = useEditor();
  const single = draft.seats.filter((s) => labels.includes(s.position) && s.id === s.position);
  const studs = draft.groups.find((g) => !single.some((s) => s.group === g.id));
  if (single.length === 0 || !studs) return null;
  return (
    <BigButton
      text={text.studAndNut({ studs: studs.name || studs.id })}
      look="plain"
      size="desk"
      onPress={() => change((d) => studAndNut(d, labels, studs.id))}
    />
  );
}

function SeenFrom() {
  const { draft, change } = useEditor();
  return (
    <ChoiceField
      label={text.seenFrom}
      value={draft.pattern.seenFrom ?? 'above'}
      options={options.seenFroms()}
      onChange={(seen) =>
        change((d) => ({
          ...d,
          pattern: withoutUnset({ ...d.pattern, seenFrom: seen === 'above' ? undefined : seen }),
        }))
      }
    />
  );
}

/** What helps to find one's way: front of engine, exhaust side. */
function Landmarks() {
  const { draft, change } = useEditor();
  const words = (side: 'left' | 'right' | 'top' | 'bottom'): string =>
    draft.pattern.landmarks.find((l) => l.side === side)?.text ?? '';
  const put = (side: 'left' | 'right' | 'top' | 'bottom', typed: string): void =>
    change((d) => {
      const others = d.pattern.landmarks.filter((l) => l.side !== side);
      return {
        ...d,
        pattern: { ...d.pattern, landmarks: typed ? [...others, { side, text: typed }] : others },
      };
    }, `landmark ${side}`);
  return (
    <FieldRow>
      {(['left', 'right', 'top', 'bottom'] as const).map((side) => (
        <TextField
          key={side}
          label={text.landmark({ side: text.sides[side] })}
          value={words(side)}
          onChange={(t) => put(side, t)}
        />
      ))}
    </FieldRow>
  );
}
