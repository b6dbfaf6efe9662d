import { stepMore, type Step } from '@stennet/core/procedure';
import { upperFirst } from '@stennet/core/language';
import { PanelBody } from './PanelText';

/** Where the compound goes, and whether it takes two people. */
export function StepMore({ step }: { step: Step }) {
  const more = stepMore(step);
  return more.length > 0 ? <PanelBody>{upperFirst(more.join('. '))}</PanelBody> : null;
}
