import type { Sheet } from '@stennet/core/procedure';
import { ChoiceField, FieldRow, NumberField, Section } from '@/ui';
import { useEditor } from '../hooks/useEditor';
import { withoutUnset } from '../lists';
import { text } from '../text';
import { NamesField } from './NamesField';

type Instances = NonNullable<Sheet['instances']>;

/** A joint that occurs several times, what goes together, and where the crank stands for each. */
export function InstancesForm() {
  const { draft, change, problem } = useEditor();
  const { instances } = draft;
  type Kind = NonNullable<Sheet['instances']>['kind'];
  return (
    <Section title={text.instances}>
      <ChoiceField<Kind | 'once'>
        label={text.instanceKind}
        value={instances?.kind ?? 'once'}
        options={[
          { value: 'once', text: text.once },
          { value: 'banks', text: text.banks },
          { value: 'caps', text: text.caps },
          { value: 'cylinders', text: text.cylinders },
        ]}
        onChange={(kind) =>
          change((d) =>
            withoutUnset({
              ...d,
              instances:
                kind === 'once'
                  ? undefined
                  : {
                      ...d.instances,
                      kind,
                      labels: d.instances?.labels ?? (kind === 'banks' ? ['left', 'right'] : []),
                    },
            }),
          )
        }
        problem={problem('instances', true)}
      />
      {instances ? (
        <NamesField
          label={text.instanceLabels}
          names={instances.labels}
          onChange={(labels) =>
            change(
              (d) => (d.instances ? { ...d, instances: { ...d.instances, labels } } : d),
              'instances',
            )
          }
          problem={problem('instances.labels')}
        />
      ) : null}
      {instances ? <Together of={instances} /> : null}
    </Section>
  );
}

/** Companions that are led as one sitting, and the crank's position for each. */
function Together({ of }: { of: Instances }) {
  const { change, problem } = useEditor();
  const put = (over: Partial<Instances>, key: string): void =>
    change(
      (d) => (d.instances ? { ...d, instances: withoutUnset({ ...d.instances, ...over }) } : d),
      `instances ${key}`,
    );
  const turned = (label: string, deg: number | undefined): void => {
    const crankDeg = withoutUnset({ ...of.crankDeg, [label]: deg }) as Record<string, number>;
    put({ crankDeg: Object.keys(crankDeg).length > 0 ? crankDeg : undefined }, `crank ${label}`);
  };
  return (
    <>
      <NamesField
        label={text.pairsField}
        names={(of.pairs ?? []).map((pair) => pair.join('-'))}
        onChange={(names) => {
          const pairs = names.map((n): [string, string] => {
            const [a = '', b = ''] = n.split('-').map((x) => x.trim());
            return [a, b];
          });
          put({ pairs: pairs.length > 0 ? pairs : undefined }, 'pairs');
        }}
        problem={problem('instances.pairs')}
      />
      <FieldRow>
        {of.labels.map((label) => (
          <NumberField
            key={label}
            label={text.crankFor({ label })}
            value={of.crankDeg?.[label]}
            onChange={(deg) => turned(label, deg)}
            problem={problem(`instances.crankDeg.${label}`)}
          />
        ))}
      </FieldRow>
    </>
  );
}
