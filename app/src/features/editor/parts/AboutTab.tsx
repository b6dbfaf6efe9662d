import { JOINT_KIND_IDS, jointKindText, type Sheet } from '@stennet/core/procedure';
import { ChoiceField, FieldRow, FlagsField, Section, TextField, Line } from '@/ui';
import { DayField } from '@/forms';
import { useEditor } from '../hooks/useEditor';
import { withoutUnset } from '../lists';
import { text } from '../text';
import { AfterForm, ConflictsForm } from './KinForms';
import { InstancesForm } from './InstancesForm';
import { NamesField } from './NamesField';
import { SheetPartsForm } from './SheetPartsForm';
import { TellApartForm } from './TellApartForm';

/** What the sheet is for, by whose word, and what it stands beside. */
export function AboutTab() {
  return (
    <>
      <Applies />
      <Source />
      <Cautions />
      <SheetPartsForm />
      <InstancesForm />
      <TellApartForm />
      <ConflictsForm />
      <AfterForm />
    </>
  );
}

function Applies() {
  const { draft, change, problem } = useEditor();
  const { applies } = draft;
  const put = (over: Partial<Sheet['applies']>, key: string): void =>
    change((d) => ({ ...d, applies: withoutUnset({ ...d.applies, ...over }) }), `applies.${key}`);
  return (
    <Section title={text.applies}>
      <TextField
        label={text.sheetTitle}
        value={draft.title}
        onChange={(title) => change((d) => ({ ...d, title }), 'title')}
        problem={problem('title')}
      />
      <FieldRow>
        <TextField
          label={text.maker}
          value={applies.maker}
          onChange={(maker) => put({ maker }, 'maker')}
          problem={problem('applies.maker')}
        />
        <TextField
          label={text.model}
          value={applies.model}
          onChange={(model) => put({ model }, 'model')}
          problem={problem('applies.model')}
        />
        <TextField
          label={text.engine}
          value={applies.engine}
          onChange={(engine) => put({ engine }, 'engine')}
          problem={problem('applies.engine')}
        />
      </FieldRow>
      <ChoiceField
        label={text.kindOf}
        value={draft.kind}
        options={[...new Set([...JOINT_KIND_IDS, ...(draft.kind ? [draft.kind] : [])])].map(
          (value) => ({ value, text: jointKindText(value) }),
        )}
        onChange={(kind) => change((d) => ({ ...d, kind }), 'kind')}
      />
      {problem('kind') ? <Line strong>{problem('kind')}</Line> : null}
      <FieldRow>
        <DayField
          label={text.builtFrom}
          value={applies.builtFrom ?? ''}
          onChange={(t) => put({ builtFrom: t || undefined }, 'from')}
          problem={problem('applies.builtFrom')}
        />
        <DayField
          label={text.builtTo}
          value={applies.builtTo ?? ''}
          onChange={(t) => put({ builtTo: t || undefined }, 'to')}
          problem={problem('applies.builtTo')}
        />
        <TextField
          label={text.bank}
          value={applies.bank ?? ''}
          onChange={(t) => put({ bank: t || undefined }, 'bank')}
          problem={problem('applies.bank')}
        />
      </FieldRow>
      <ChoiceField
        label={text.hardware}
        value={applies.hardware.origin}
        options={[
          { value: 'original', text: text.original },
          { value: 'kit', text: text.kit },
        ]}
        onChange={(origin) =>
          put(
            {
              hardware:
                origin === 'kit' ? { origin, maker: applies.hardware.maker ?? '' } : { origin },
            },
            'origin',
          )
        }
      />
      {applies.hardware.origin === 'kit' ? (
        <TextField
          label={text.kitMaker}
          value={applies.hardware.maker ?? ''}
          onChange={(maker) => put({ hardware: { origin: 'kit', maker } }, 'kit')}
          problem={problem('applies.hardware')}
        />
      ) : null}
      <FlagsField
        label={text.status}
        values={[
          ...(draft.invented ? (['invented'] as const) : []),
          ...(draft.secondSignature ? (['second'] as const) : []),
        ]}
        options={[
          { value: 'invented' as const, text: text.invented },
          { value: 'second' as const, text: text.secondSignature },
        ]}
        onChange={(v) =>
          change(({ secondSignature: _was, ...d }) => ({
            ...d,
            invented: v.includes('invented'),
            ...(v.includes('second') ? { secondSignature: true } : {}),
          }))
        }
      />
    </Section>
  );
}

function Source() {
  const { draft, change, problem } = useEditor();
  const { source } = draft;
  const propsOf = (name: Exclude<keyof Sheet['source'], 'pages'>, label: string) => ({
    label,
    value: source[name],
    onChange: (t: string) =>
      change((d) => ({ ...d, source: { ...d.source, [name]: t } }), `source.${name}`),
    problem: problem(`source.${name}`),
  });
  const field = (name: Exclude<keyof Sheet['source'], 'pages'>, label: string) => (
    <TextField {...propsOf(name, label)} />
  );
  return (
    <Section title={text.source}>
      <FieldRow>
        {field('publisher', text.publisher)}
        {field('title', text.sourceTitle)}
      </FieldRow>
      <FieldRow>
        {field('page', text.page)}
        {field('revision', text.sourceRevision)}
        <DayField {...propsOf('date', text.sourceDate)} />
      </FieldRow>
      {field('condition', text.condition)}
    </Section>
  );
}

function Cautions() {
  const { draft, change, problem } = useEditor();
  return (
    <Section title={text.cautions}>
      <TextField
        label={text.cautionsHint}
        value={draft.cautions.join('\n')}
        onChange={(t) =>
          change(
            (d) => ({ ...d, cautions: t === '' ? [] : t.split('\n').slice(0, 12) }),
            'cautions',
          )
        }
        lines={4}
        problem={problem('cautions')}
      />
      <NamesField
        label={text.requires}
        names={draft.requires}
        onChange={(requires) => change((d) => ({ ...d, requires }), 'requires')}
        problem={problem('requires')}
      />
    </Section>
  );
}
