import { nanoid } from 'nanoid';

/** This page among all that are open: what it did itself it need not be told. */
export const PAGE = nanoid();
