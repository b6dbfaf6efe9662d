import { useState } from 'react';
import { commonText } from '@/language/common';
import { BigButton } from './BigButton';
import { Line } from './Section';

/** The numbers behind one line, for who asks. */
export function Why({ text }: { text: string }) {
  const [isOpen, setOpen] = useState(false);
  if (!text) return null;
  return (
    <>
      {isOpen ? <Line>{text}</Line> : null}
      <BigButton
        text={isOpen ? commonText.whyHide : commonText.why}
        look="quiet"
        size="desk"
        onPress={() => setOpen(!isOpen)}
      />
    </>
  );
}
