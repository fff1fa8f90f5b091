import { addressOf, ADDRESSES, type AddressName } from '@kibble/contract';
import type { FetchArgs } from '@reduxjs/toolkit/query/react';

/** What stands in the places of an address: the numbers of a garden, a bed, a pot… */
export type At = Readonly<Record<string, string | number>>;

/** Something asked of home, by the name of its address. */
export interface Call extends FetchArgs {
  method: string;
  name: AddressName;
  at: At;
}

/** A call as a query or a change sends it. */
export const call = (name: AddressName, at: At = {}, more: Omit<FetchArgs, 'url' | 'method'> = {}): Call => ({
  ...more,
  name,
  at,
  url: addressOf(name, at).slice('/api/'.length),
  method: ADDRESSES[name].method,
});
