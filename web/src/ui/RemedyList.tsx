import type { LadderView } from '@kibble/contract';
import { Fragment } from 'react';
import { remedyWords, shareWords } from '../words/words.ts';
import { OpensTree } from './Opens.tsx';

/** What would help a bed that loses too much, each with the growth that would then be lost, which opens its working. */
export function RemedyList({ bedName, remedies }: { bedName: string; remedies: LadderView['remedies'] }) {
  return remedies.map((one, i) => (
    <Fragment key={`${one.remedy}${one.cropName ?? ''}`}>
      {i > 0 ? ', ' : ''}
      {remedyWords(one)} (
      {one.because ? (
        <OpensTree working={one.because} title={`${bedName} with ${remedyWords(one)}`}>
          {shareWords(one.lostShare)}
        </OpensTree>
      ) : (
        shareWords(one.lostShare)
      )}{' '}
      lost)
    </Fragment>
  ));
}
