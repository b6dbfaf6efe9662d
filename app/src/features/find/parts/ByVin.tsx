import { checkVin } from '@stennet/core/find';
import { asAppError } from '@/data';
import { useKnownVehicles } from '@/data/orders';
import type { SheetFilter } from '@/data/sheets';
import { BigButton, Loading, Notice } from '@/ui';
import { text } from '../text';

/** One long word with digits in it is a vehicle's number rather than a word of a sheet. */
export const looksLikeVin = (typed: string): boolean =>
  /^[A-Za-z0-9]{12,}$/.test(typed) && (typed.match(/\d/g) ?? []).length >= 3;

/**
 * By the vehicle's number: length and letters refuse, the check digit is a note; a vehicle that was
 * here narrows the list.
 */
export function ByVin({
  typed,
  onFilter,
}: {
  typed: string;
  onFilter: (filter: SheetFilter) => void;
}) {
  const verdict = checkVin(typed);
  const isGood = verdict.kind === 'good';
  const found = useKnownVehicles(isGood ? typed.toUpperCase() : '');
  if (!isGood) {
    return verdict.why === 'length' ? (
      <Notice title={text.vinLength({ n: typed.length })} text={text.vinLengthText} look="warn" />
    ) : (
      <Notice title={text.vinLetters} text={text.vinLettersText} look="warn" />
    );
  }
  const note = verdict.checkDigit ? '' : text.vinCheck;
  if (found.isPending) return <Loading text={text.searching} />;
  if (found.isError)
    return <Notice title={asAppError(found.error).message} text={text.vinByHand} alert />;
  const vehicle = found.data.vehicles[0]?.vehicle;
  if (!vehicle)
    return (
      <Notice title={text.vinUnknown} text={[text.vinByHand, note].filter(Boolean).join(' ')} />
    );
  return (
    <>
      <Notice
        title={text.vinFound({
          vehicle: `${vehicle.maker} ${vehicle.model}`,
          engine: vehicle.engine,
          plate: vehicle.plate,
        })}
        {...(note ? { text: note } : {})}
      />
      <BigButton
        text={text.vinShow({ engine: vehicle.engine })}
        look="plain"
        size="desk"
        onPress={() => onFilter({ maker: vehicle.maker, engine: vehicle.engine })}
      />
    </>
  );
}
