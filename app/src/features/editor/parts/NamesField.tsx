import { useState } from 'react';
import { TextField } from '@/ui';

interface Props {
  label: string;
  names: readonly string[];
  onChange: (names: string[]) => void;
  problem?: string | undefined;
}

/** Names with commas between. What is typed stands as it is typed; the names follow it. */
export function NamesField({ label, names, onChange, problem }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const read = (t: string): string[] =>
    t
      .split(',')
      .map((n) => n.trim())
      .filter(Boolean);
  const isCurrent = typed !== null && JSON.stringify(read(typed)) === JSON.stringify(names);
  return (
    <TextField
      label={label}
      value={isCurrent ? typed : names.join(', ')}
      problem={problem}
      onChange={(t) => {
        setTyped(t);
        onChange(read(t));
      }}
    />
  );
}
