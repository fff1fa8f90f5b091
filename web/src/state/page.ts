import { nanoid } from '@reduxjs/toolkit';

/** This page among all that are open: what it did itself it need not be told. */
export const PAGE = nanoid();
