import { useState } from 'react';
import { BigButton } from '@/ui';
import { photosAt, takePhoto, useRunPlace } from '../hooks/useRunPlace';
import { text } from '../text';
import { PanelBody } from './PanelText';

/** A photo at a step: kept on this device at once. */
export function PhotoButton({
  of,
  step,
  fastener,
}: {
  of: string;
  step: string;
  fastener?: string;
}) {
  const place = useRunPlace();
  const [problem, setProblem] = useState(false);
  const taken = photosAt(place, step);
  const take = (): void => {
    setProblem(false);
    takePhoto(place, of, { step, ...(fastener ? { fastener } : {}) }).catch(() => setProblem(true));
  };
  return (
    <>
      {taken > 0 ? <PanelBody>{text.photos({ count: taken })}</PanelBody> : null}
      {problem ? <PanelBody>{text.cannotKeep}</PanelBody> : null}
      <BigButton text={text.photo} look="quiet" onPress={take} />
    </>
  );
}
