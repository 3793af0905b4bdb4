import { useRouter } from 'expo-router';
import type { ReactNode } from 'react';
import { addressOf } from '@slate-path/core/api/address';
import type { Group } from '../../parts/Groups';
import type { FileFormat } from '@slate-path/core/api/endpoint';
import { usePaperSize } from '../../files/paperSize';
import { useGiveFile } from '../../files/useGiveFile';
import { useNameOrder } from '../../sync/nameOrder';

/** What can be done now and then on the page of a class's work, and the sheet that a file is given out by. */
export function useWorkActs(
  sectionId: string,
  { from, to }: { from: string; to: string },
): { more: readonly Group[]; sheet: ReactNode } {
  const router = useRouter();
  const order = useNameOrder();
  const paper = usePaperSize();
  const { give, sheet } = useGiveFile();
  const fileIn = (format: FileFormat) => () => {
    give(addressOf('workFile', { sectionId, from, to, format, order, paper }), format === 'html');
  };
  const more = [
    {
      title: 'What comes in by itself',
      items: [
        {
          label: 'From a platform',
          note: 'A platform is asked every few minutes for what was done there',
          onPress: () => {
            router.push({ pathname: '/classes/[sectionId]/work/feed', params: { sectionId } });
          },
        },
      ],
    },
    {
      title: 'These days as a file',
      items: [
        {
          label: 'Workbook',
          note: 'Students, pieces of work, every day, and how it is counted: a sheet each',
          onPress: fileIn('xlsx'),
        },
        { label: 'Students as CSV', onPress: fileIn('csv') },
        {
          label: 'Print the class without names',
          note: 'How many, when and what kinds in 7, 28 and 90 days, beside what is usual',
          onPress: fileIn('html'),
        },
        { label: 'The class without names as PDF', onPress: fileIn('pdf') },
      ],
    },
    {
      title: 'What is owed',
      items: [
        {
          label: 'Write to those who owe',
          note: 'To each of them or their guardians, with what is missing filled in',
          onPress: () => {
            router.push({ pathname: '/write', params: { sectionId, owes: 'work' } });
          },
        },
        {
          label: 'A sentence to each of them',
          note: 'A phrase with what is missing filled in, as a note and home',
          onPress: () => {
            router.push({ pathname: '/each', params: { sectionId, group: 'owes' } });
          },
        },
      ],
    },
    {
      title: 'One student’s own work',
      items: [
        {
          label: 'Finished work by day',
          note: 'Pieces of one student: the days on which they are finished count as attended',
          onPress: () => {
            router.push({ pathname: '/classes/[sectionId]/pieces', params: { sectionId, of: 'first' } });
          },
        },
      ],
    },
  ];
  return { more, sheet };
}
