import type { LucideIcon } from 'lucide-react-native';
import { useState } from 'react';
import type { Address } from '@slate-path/core/api/address';
import { Action } from '../parts/Action';
import { Sheet } from '../parts/Sheet';
import { Words } from '../parts/Words';
import { ApiProblem, request } from '../sync/api';
import { saveFile } from './give';

interface FileActionProps {
  label: string;
  name?: string;
  icon?: LucideIcon;
  kind?: 'main' | 'outlined';
  /** Where the server gives the file. */
  address: Address;
  /** A page to look at and print, in a tab of its own. */
  print?: boolean;
}

const noServer =
  'Files are made by the server, which does not answer now. Nothing is lost. Try again when there is a network.';

/** Saves a file that the server makes, or shows a page; where that fails, it says so and stays where it is. */
export function FileAction({ label, name, icon, kind, address, print = false }: FileActionProps) {
  const [step, setStep] = useState<'idle' | 'making' | 'failed'>('idle');
  const [problem, setProblem] = useState('');
  const give = async () => {
    setStep('making');
    try {
      const response = await request(address);
      if (print) window.open(address, '_blank', 'noopener');
      else saveFile(await response.blob(), fileName(response));
      setStep('idle');
    } catch (error) {
      const answered = error instanceof ApiProblem && error.status !== 0;
      setProblem(answered ? error.detail : noServer);
      setStep('failed');
    }
  };
  return (
    <>
      <Action
        label={label}
        name={name}
        icon={icon}
        kind={kind}
        disabled={step === 'making'}
        onPress={() => {
          void give();
        }}
      />
      {step === 'failed' ? (
        <Sheet
          title={print ? 'The page could not be made' : 'The file could not be saved'}
          onClose={() => {
            setStep('idle');
          }}
        >
          <Words live>{problem}</Words>
          <Action
            label="Try again"
            kind="main"
            onPress={() => {
              void give();
            }}
          />
        </Sheet>
      ) : null}
    </>
  );
}

/** The name that the server gave the file. */
function fileName(response: Response): string {
  const said = /filename="([^"]+)"/.exec(response.headers.get('Content-Disposition') ?? '');
  return said?.[1] ?? 'slate-path';
}
