import FileText from 'lucide-react-native/icons/file-text';
import { View } from 'react-native';
import { listed } from '@slate-path/core/words/listed';
import { addressOf } from '@slate-path/core/api/address';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import type { ApiProblem } from '../../../sync/api';
import { usePaperSize } from '../../../files/paperSize';
import { useGiveFile } from '../../../files/useGiveFile';
import type { PageToMake } from './form';
import { FrameOfPage } from '../FrameOfPage';
import type { Preview } from './usePreview';

interface PreviewOfPageProps {
  preview: Preview | null;
  /** What stands in the form. */
  settings: PageToMake['settings'];
  problem: ApiProblem | null;
}

/** Whom a page names, and the page itself, as its reader gets it. */
export function PreviewOfPage({ preview, settings, problem }: PreviewOfPageProps) {
  const paper = usePaperSize();
  const { busy, giveMade, sheet } = useGiveFile();
  const shortened = preview?.shortened.map(({ name, as }) => `${name} (${as})`) ?? [];
  return (
    <View style={{ gap: space(3) }}>
      <Card style={{ gap: space(1) }}>
        <Words bold heading={2}>
          Names on this page
        </Words>
        <Words live>{preview ? listed(preview.named) : 'They stand here once something is chosen.'}</Words>
        {shortened.length > 0 ? (
          <Words tone="inkQuiet">{`Only as initials: ${listed(shortened)}`}</Words>
        ) : preview ? (
          <Words tone="inkQuiet">
            {preview.named.length === 1 ? 'No student is in it.' : 'No other student is in it.'}
          </Words>
        ) : null}
        {problem ? (
          <Words tone={problem.status === 400 ? 'inkQuiet' : 'ember'} live>
            {problem.errors[0]?.message ?? problem.detail}
          </Words>
        ) : null}
      </Card>
      {preview ? (
        <View style={{ alignItems: 'flex-start' }}>
          <Action
            label="Save as PDF"
            name="Save as PDF: the same on paper"
            icon={FileText}
            disabled={busy}
            onPress={() => {
              giveMade({ address: addressOf('pagePaper'), body: { settings, paper } });
            }}
          />
        </View>
      ) : null}
      {sheet}
      {preview ? <FrameOfPage title="The page as its reader gets it" html={preview.html} /> : null}
    </View>
  );
}
