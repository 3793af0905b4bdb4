import type { LucideIcon } from 'lucide-react-native';
import type { Address } from '@slate-path/core/api/address';
import { Action } from '../parts/Action';
import { useGiveFile } from './useGiveFile';

interface FileActionProps {
  label: string;
  name?: string;
  icon?: LucideIcon;
  kind?: 'main' | 'plain';
  /** Where the server gives the file. */
  address: Address;
  /** A page to look at and print, in a tab of its own. */
  print?: boolean;
}

/** Saves a file that the server makes, or shows a page; where that fails, it says so and stays where it is. */
export function FileAction({ label, name, icon, kind, address, print = false }: FileActionProps) {
  const { busy, give, sheet } = useGiveFile();
  return (
    <>
      <Action
        label={label}
        name={name}
        icon={icon}
        kind={kind}
        disabled={busy}
        onPress={() => {
          give(address, print);
        }}
      />
      {sheet}
    </>
  );
}
