import { dripLayout } from '../../delivery/dripLayout.ts';
import { wettedShare } from '../../delivery/wettedStrip.ts';
import { oddIf, YEAR, type ReadingRule } from '../reading.ts';

/** Lines that cover an area this much larger or smaller than the bed's serve another. Judgement. */
const AREA_OFF = 0.25;

export const drip: ReadingRule<'drip'> = {
  kind: 'drip',
  facts: {
    label: 'Drip lines',
    about: 'water',
    minutes: 10,
    goodForDays: 2 * YEAR,
    spoiledByChange: true,
    ofMethod: true,
  },
  odd: (reading, { areaM2, supplyLitresPerMinute: supply }) => {
    const { litresPerMinute } = dripLayout(reading);
    const area = reading.bedLengthM * reading.bedWidthM;
    const off = areaM2 !== undefined && Math.abs(area / areaM2 - 1) > AREA_OFF;
    const thirsty = supply !== undefined && litresPerMinute > supply;
    return [
      ...oddIf(off, 'lines serve another area', area, areaM2 ?? 0, 'm²'),
      ...oddIf(thirsty, 'more than the tap gives', litresPerMinute, supply ?? 0, 'L/min'),
    ];
  },
  tell: (reading, known) => {
    const { emitters, litresPerMinute } = dripLayout(reading);
    const soil = known.topClass;
    // A spread that was measured or told is worth more than the usual width of the soil, whichever came first.
    if (!known.of('wettedShare'))
      known.claim('wettedShare', reading, wettedShare({ ...reading, emitters }, soil).share, {
        source: { kind: 'assumed', why: `width usual on ${soil}, on the lines as laid` },
      });
    known.claim('flow', reading, litresPerMinute, { source: { kind: 'told', on: reading.on } });
  },
};
