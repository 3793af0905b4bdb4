import { View } from 'react-native';
import { listed } from '@slate-path/core/words/listed';
import { Card } from '../../../parts/Card';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import type { ApiProblem } from '../../../sync/api';
import { FrameOfPage } from '../FrameOfPage';
import type { Preview } from './usePreview';

interface PreviewOfPageProps {
  preview: Preview | null;
  problem: ApiProblem | null;
}

/** Whom a page names, and the page itself, as its reader gets it. */
export function PreviewOfPage({ preview, problem }: PreviewOfPageProps) {
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
          <Words tone="inkQuiet">No other student is in it.</Words>
        ) : null}
        {problem ? (
          <Words tone={problem.status === 400 ? 'inkQuiet' : 'ember'} live>
            {problem.errors[0]?.message ?? problem.detail}
          </Words>
        ) : null}
      </Card>
      {preview ? <FrameOfPage title="The page as its reader gets it" html={preview.html} /> : null}
    </View>
  );
}
