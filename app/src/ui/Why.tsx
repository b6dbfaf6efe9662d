import { commonText } from '@/language/common';
import { Fold } from './Fold';
import { Line } from './Section';

/** The numbers behind one line, for who asks. */
export const Why = ({ text }: { text: string }) =>
  text ? (
    <Fold title={commonText.why}>
      <Line>{text}</Line>
    </Fold>
  ) : null;
