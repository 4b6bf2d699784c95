import { TextField } from '../../design/fields.tsx';
import { passphraseDoubt } from './passphraseDoubt.ts';

interface NewPassphraseProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
}

/** A passphrase being chosen; says while it is typed why it will not do. */
export const NewPassphrase = ({ label, value, onChange }: NewPassphraseProps) => (
  <TextField
    label={label}
    name="passphrase"
    type="password"
    autoComplete="new-password"
    value={value}
    onChange={onChange}
    error={value === '' ? null : passphraseDoubt(value)}
  />
);
