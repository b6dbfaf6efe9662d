import { blankGroup } from '@stennet/core/draft';
import type { Group } from '@stennet/core/procedure';
import { PROPERTY_CLASSES } from '@stennet/core/thread';
import { BigButton, ChoiceField, FieldRow, Line, NumberField, Section, TextField } from '@/ui';
import { CompoundsView } from '@/ui/work';
import { useEditor } from '../hooks/useEditor';
import { changed, freeId, withoutUnset, without } from '../lists';
import { options } from '../options';
import { text } from '../text';
import { CompoundsForm } from './CompoundsForm';

/** What the fasteners are, whether they may come back, what goes on them. */
export function GroupsTab() {
  const { draft, change, problem } = useEditor();
  const add = (): void =>
    change((d) => {
      const last = d.groups.at(-1);
      const id = freeId(
        d.groups.map((g) => g.id),
        'bolts',
      );
      return { ...d, groups: [...d.groups, last ? { ...last, id, name: '' } : blankGroup(id, '')] };
    });
  return (
    <>
      {draft.groups.length === 0 && problem('groups', true) ? (
        <Line>{problem('groups', true)}</Line>
      ) : null}
      {draft.groups.map((g, i) => (
        <GroupForm key={g.id} group={g} at={i} />
      ))}
      <BigButton text={text.addGroup} look="plain" size="desk" onPress={add} />
    </>
  );
}

function GroupForm({ group, at }: { group: Group; at: number }) {
  const { draft, change } = useEditor();
  const place = `groups.${at}`;
  const put = (over: Partial<Group>, key: string): void =>
    change(
      (d) => ({ ...d, groups: changed(d.groups, at, (g) => withoutUnset({ ...g, ...over })) }),
      `${place}.${key}`,
    );
  const count = draft.seats.filter((s) => s.group === group.id).length;
  return (
    <Section title={`${group.name || group.id} · ${text.groupCount({ count })}`}>
      <ThreadFields group={group} place={place} put={put} />
      <ReuseFields group={group} place={place} put={put} />
      <FrictionFields group={group} place={place} put={put} />
      {group.compounds.length > 0 ? <CompoundsView group={group} /> : null}
      <CompoundsForm
        compounds={group.compounds}
        place={`${place}.compounds`}
        onChange={(compounds, key) => put({ compounds }, `compounds.${key}`)}
      />
      {count === 0 && draft.groups.length > 1 ? (
        <BigButton
          text={text.remove}
          look="warn"
          size="desk"
          onPress={() => change((d) => ({ ...d, groups: without(d.groups, at) }))}
        />
      ) : null}
    </Section>
  );
}

interface FieldsProps {
  group: Group;
  place: string;
  put: (over: Partial<Group>, key: string) => void;
}

/** What it is, and what turns it. */
function ThreadFields({ group, place, put }: FieldsProps) {
  const { problem } = useEditor();
  return (
    <>
      <FieldRow>
        <TextField
          label={text.groupName}
          value={group.name}
          onChange={(name) => put({ name }, 'name')}
          problem={problem(`${place}.name`)}
        />
        <TextField
          label={text.thread}
          hint={text.threadHint}
          value={group.thread.designation}
          onChange={(designation) => put({ thread: { ...group.thread, designation } }, 'thread')}
          problem={problem(`${place}.thread.designation`)}
        />
        <NumberField
          label={text.pitch}
          value={group.thread.pitchMm || undefined}
          onChange={(pitchMm) =>
            put({ thread: { ...group.thread, pitchMm: pitchMm ?? 0 } }, 'pitch')
          }
          problem={problem(`${place}.thread.pitchMm`)}
        />
      </FieldRow>
      <ChoiceField
        label={text.cls}
        value={group.propertyClass}
        options={PROPERTY_CLASSES.map((c) => ({ value: c, text: c }))}
        onChange={(propertyClass) => put({ propertyClass }, 'class')}
        problem={problem(`${place}.propertyClass`)}
      />
      <ChoiceField
        label={text.head}
        value={group.head}
        options={options.heads()}
        onChange={(head) => put({ head }, 'head')}
      />
      <FieldRow>
        <TextField
          label={text.socket}
          value={group.socket}
          onChange={(socket) => put({ socket }, 'socket')}
          problem={problem(`${place}.socket`)}
        />
        <NumberField
          label={text.length}
          value={group.lengthMm}
          onChange={(lengthMm) => put({ lengthMm }, 'length')}
          problem={problem(`${place}.lengthMm`)}
        />
        <NumberField
          label={text.grip}
          value={group.gripLengthMm}
          onChange={(gripLengthMm) => put({ gripLengthMm }, 'grip')}
          problem={problem(`${place}.gripLengthMm`)}
        />
      </FieldRow>
      <FieldRow>
        <NumberField
          label={text.bearing}
          value={group.bearingMm}
          onChange={(bearingMm) => put({ bearingMm }, 'bearing')}
          problem={problem(`${place}.bearingMm`)}
        />
      </FieldRow>
      <ChoiceField
        label={text.under}
        value={group.under}
        options={options.materials()}
        onChange={(under) => put({ under }, 'under')}
      />
      <ChoiceField
        label={text.gasket}
        value={group.gasket}
        options={options.gaskets()}
        onChange={(gasket) => put({ gasket }, 'gasket')}
      />
      <TextField
        label={text.behind}
        hint={text.behindHint}
        value={group.behind ?? ''}
        onChange={(t) => put({ behind: t || undefined }, 'behind')}
        problem={problem(`${place}.behind`)}
      />
    </>
  );
}

function ReuseFields({ group, place, put }: FieldsProps) {
  const { problem } = useEditor();
  return (
    <>
      <ChoiceField
        label={text.reuse}
        value={group.reuse}
        options={options.reuses()}
        onChange={(reuse) => put({ reuse }, 'reuse')}
        problem={problem(`${place}.reuse`)}
      />
      {group.reuse === 'reuse-if-within-length' ? (
        <FieldRow>
          <NumberField
            label={text.maxLength}
            value={group.maxLengthMm}
            onChange={(maxLengthMm) => put({ maxLengthMm }, 'maxLength')}
            problem={problem(`${place}.maxLengthMm`)}
          />
          <NumberField
            label={text.freeLength}
            value={group.freeLengthMm}
            onChange={(freeLengthMm) => put({ freeLengthMm }, 'free')}
            problem={problem(`${place}.freeLengthMm`)}
          />
        </FieldRow>
      ) : null}
      {group.reuse === 'replace' ? (
        <ChoiceField
          label={text.onReplace}
          value={group.onReplace ?? 'lead'}
          options={options.replaces()}
          onChange={(onReplace) => put({ onReplace }, 'onReplace')}
        />
      ) : null}
    </>
  );
}

/** What lies on the thread while it is tightened. */
function FrictionFields({ group, place, put }: FieldsProps) {
  const { problem } = useEditor();
  return (
    <>
      <ChoiceField
        label={text.friction}
        value={group.frictionCondition}
        options={options.frictions()}
        onChange={(frictionCondition) =>
          put(
            {
              frictionCondition,
              friction:
                group.friction ||
                (options.frictions().find((o) => o.value === frictionCondition)?.text ?? ''),
            },
            'condition',
          )
        }
        problem={problem(`${place}.frictionCondition`)}
      />
      <TextField
        label={text.frictionWords}
        value={group.friction}
        onChange={(friction) => put({ friction }, 'friction')}
        problem={problem(`${place}.friction`)}
      />
    </>
  );
}
