import { adapterTop } from '@stennet/core/drawing';
import { wrenchesOf, type ListedTool } from '@stennet/core/prepare';
import type { Adapter } from '@stennet/core/quantity';
import { useSignedIn } from '@/data';
import { BigButton, ChoiceField } from '@/ui';
import { DrawingView } from '@/ui/work';
import { text } from '../text';
import { PanelBody } from './PanelText';

const ANGLES = ['0', '45', '90', '135'] as const;

interface Props {
  tools: readonly ListedTool[];
  adapter: Adapter | null;
  onAdapter: (adapter: Adapter | null) => void;
  onClose: () => void;
}

/**
 * A crowfoot changes what the scale must say; drawn as it stands, and the settings above follow.
 */
export function AdapterForm({ tools, adapter, onAdapter, onClose }: Props) {
  const { format } = useSignedIn();
  const crowfeet = tools.filter((t) => t.kind === 'crowfoot');
  const length = wrenchesOf(tools).find((w) => w.lengthMm !== undefined)?.lengthMm ?? 400;
  const mm = (value: number): string => format.quantity({ value, unit: 'mm' }).text;
  const close = (): void => {
    onAdapter(null);
    onClose();
  };
  return (
    <>
      {crowfeet.length === 0 ? <PanelBody>{text.adapterNone}</PanelBody> : null}
      <ChoiceField
        label={text.adapterWhich}
        value={adapter?.tool}
        options={crowfeet.map((c) => ({ value: c.id, text: c.name }))}
        onChange={(id) => {
          const tool = crowfeet.find((c) => c.id === id);
          if (tool)
            onAdapter({
              tool: tool.id,
              name: tool.name,
              offsetMm: tool.offsetMm,
              angleDeg: adapter?.angleDeg ?? 0,
            });
        }}
      />
      {adapter ? (
        <>
          <ChoiceField
            label={text.adapterAngle}
            value={String(adapter.angleDeg) as (typeof ANGLES)[number]}
            options={ANGLES.map((a) => ({ value: a, text: text.adapterAngles[a] }))}
            onChange={(a) => onAdapter({ ...adapter, angleDeg: Number(a) })}
          />
          <DrawingView
            drawing={adapterTop(length, adapter.offsetMm, adapter.angleDeg)}
            label={text.adapterLabel({ l: mm(length), e: mm(adapter.offsetMm) })}
            width="100%"
            height={110}
          />
        </>
      ) : null}
      <PanelBody>{text.adapterText}</PanelBody>
      <BigButton text={text.withoutAdapter} look="quiet" onPress={close} />
    </>
  );
}
