/** FAO-56 Ks under which the plants are short of water, and it would show. Judgement. */
export const SHORT_OF_WATER = 0.95;
