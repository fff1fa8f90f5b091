import { createHash, randomBytes, randomInt, timingSafeEqual } from 'node:crypto';
import type { Rights } from '@kibble/contract';
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';

/** How long a code holds, and wrong ones from one address before it waits, and from all before the code is void. Judgements. */
const HOLDS_MS = 10 * 60_000;
const WRONG_OF_ONE = 5;
const WAITS_S = 15 * 60;
const WRONG_OF_ALL = 20;

export interface Invite {
  code: string;
  link: string;
  rights: Rights;
  /** Of a helper: the gardens it is for, and the id of the file they are in. */
  gardens?: number[];
  house?: string;
  until: Date;
}

export type Asked = 'let in' | 'wrong' | { waitS: number };

export const proofOf = (shown: string): string => createHash('sha256').update(shown).digest('hex');

/** Equal, in a time that tells nothing of where they differ. */
export function sameSecret(a: string, b: string): boolean {
  const [x, y] = [a, b].map((text) => createHash('sha256').update(text).digest());
  return timingSafeEqual(x as Buffer, y as Buffer);
}

/** Codes by which a device is let in: one at a time, for ten minutes, once. Whoever guesses waits. */
export class Pairing {
  private invited: Invite | null = null;
  private wrong = 0;
  private readonly guesses = new RateLimiterMemory({ points: WRONG_OF_ONE, duration: WAITS_S });

  /** Begins a new invitation; an earlier one is void. */
  invite(of: Pick<Invite, 'rights' | 'gardens' | 'house'>, now: Date): Invite {
    this.wrong = 0;
    this.invited = {
      code: String(randomInt(1_000_000)).padStart(6, '0'),
      link: randomBytes(24).toString('base64url'),
      ...of,
      until: new Date(now.getTime() + HOLDS_MS),
    };
    return this.invited;
  }

  standing(now: Date): Invite | null {
    return this.invited && this.invited.until > now ? this.invited : null;
  }

  /** Whether what a device shows lets it in; it is used up then. @param from the address that asks */
  async ask(
    shown: { code?: string; link?: string },
    from: string,
    now: Date,
  ): Promise<{ asked: Asked; invite?: Invite }> {
    const spent = await this.guesses.get(from);
    if (spent && spent.consumedPoints >= WRONG_OF_ONE)
      return { asked: { waitS: Math.ceil(spent.msBeforeNext / 1000) } };
    const invite = this.standing(now);
    const right =
      invite !== null &&
      ((shown.code !== undefined && sameSecret(shown.code, invite.code)) ||
        (shown.link !== undefined && sameSecret(shown.link, invite.link)));
    if (right) {
      this.invited = null;
      await this.guesses.delete(from);
      return { asked: 'let in', invite };
    }
    this.wrong += 1;
    if (this.wrong >= WRONG_OF_ALL) this.invited = null;
    try {
      await this.guesses.consume(from);
    } catch (error) {
      if (error instanceof RateLimiterRes) return { asked: { waitS: Math.ceil(error.msBeforeNext / 1000) } };
      throw error;
    }
    return { asked: 'wrong' };
  }
}
