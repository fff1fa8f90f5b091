import { randomBytes } from 'node:crypto';
import type { IncomingMessage, RequestListener, Server } from 'node:http';
import type { InviteView, SharingView, WhoView } from '@kibble/contract';
import { parseCookie, stringifySetCookie } from 'cookie';
import { sign, unsign } from 'cookie-signature';
import type { Logger } from 'pino';
import QRCode from 'qrcode';
import type { WallClock } from '../services/clock.ts';
import { authority, certificateFor } from './authority.ts';
import { Book, sharingFolder, type Device } from './book.ts';
import { wayOf } from './cameBy.ts';
import { listenAt, ownAddresses, ownNames, type Listening } from './listening.ts';
import { Pairing, proofOf, sameSecret, type Asked, type Invite } from './pairing.ts';

/** A cookie's life: the longest browsers keep one, days. */
const COOKIE_DAYS = 400;
/** When a device was last seen is written down so often at most. */
const SEEN_MS = 3_600_000;
/** Addresses change when the machine moves from one network to another: looked at so often. */
const LOOK_AGAIN_MS = 60_000;
/** A secure page's cookie has a name of its own: no plain page of the same address can write over it. */
const COOKIES = { plain: 'kibble', secure: 'kibble-secure' } as const;

export interface SharingOptions {
  /** Folder of the data. */
  folder: string;
  wall: WallClock;
  log: Logger;
  /** On for this run whatever was kept. */
  on?: boolean;
  /** Only these addresses of the machine. */
  addresses?: readonly string[];
}

/** Kibble on the home's network: where it listens, whom it lets in, and by what they are known again. Off until it is asked for. */
export class Sharing {
  private readonly book: Book;
  private readonly folder: string;
  private readonly options: SharingOptions;
  private readonly pairing = new Pairing();
  private app: RequestListener | null = null;
  private port = 0;
  private listening: Listening[] = [];
  private trouble: string | null = null;
  private timer: NodeJS.Timeout | null = null;
  /** Called when a device is let in no longer. */
  onRevoked: (deviceId: string) => void = () => undefined;

  constructor(options: SharingOptions) {
    this.options = options;
    this.folder = sharingFolder(options.folder);
    this.book = new Book(this.folder);
  }

  /** Whether anybody but the machine itself may ask at all. */
  get on(): boolean {
    return (this.options.on ?? false) || this.book.pages.on;
  }
  get proxy(): string | null {
    return this.book.pages.proxy;
  }

  /** Begins to answer on the network, where that is on. @param port that of the machine's own door */
  async begin(app: RequestListener, port: number): Promise<void> {
    this.app = app;
    this.port = port;
    if (this.on) await this.listen();
    this.timer = setInterval(() => void this.lookAgain(), LOOK_AGAIN_MS);
    this.timer.unref();
  }

  async stop(): Promise<void> {
    if (this.timer) clearInterval(this.timer);
    await this.fallSilent();
  }

  /** Turns sharing on or off, or declares a proxy. */
  async change({ on, proxy }: { on?: boolean; proxy?: string | null }): Promise<void> {
    if (proxy !== undefined) this.book.pages.proxy = proxy;
    if (on !== undefined) {
      this.book.pages.on = on;
      this.options.on = on;
    }
    this.book.keep();
    if (on === true && this.listening.length === 0) await this.listen();
    if (on === false) await this.fallSilent();
  }

  /** Names it answers to besides those of the machine itself. */
  names(): string[] {
    const { proxy } = this;
    const reached =
      this.listening.length > 0 ? [...this.listening.map(({ address }) => address), ...ownNames()] : [];
    return proxy === null ? reached : [...reached, proxy];
  }

  urls(): { plain: string[]; secure: string[] } {
    return {
      plain: this.listening.map(({ address, plainPort }) => `http://${address}:${plainPort}`),
      secure: this.listening.flatMap(({ address, securePort }) =>
        securePort === null ? [] : [`https://${address}:${securePort}`],
      ),
    };
  }

  /** Begins an invitation, at whose end the device may do `rights`. */
  invite(of: Pick<Invite, 'rights' | 'gardens' | 'house'>): Promise<InviteView> {
    return this.inviteView(this.pairing.invite(of, this.options.wall.now()));
  }

  /** The file whose gardens are open has this id: what a helper was invited to is named by its numbers there. */
  house = '';

  /** Helpers connected before an invitation named its gardens have the one there is; where there are several, none. */
  adoptHelpers(house: string, gardens: readonly number[]): void {
    this.house = house;
    const earlier = this.book.pages.devices.filter(
      ({ rights, gardens: named }) => rights === 'round only' && named === undefined,
    );
    if (earlier.length === 0 || gardens.length !== 1) return;
    for (const device of earlier) Object.assign(device, { gardens: [...gardens], house });
    this.book.keep();
  }

  /** The gardens a helper may walk. */
  gardensOf({ gardens, house }: Device): readonly number[] {
    return house === this.house ? (gardens ?? []) : [];
  }

  /** The helper who asks, by their gardens; null for whoever may see everything. */
  helperGardens(req: IncomingMessage): readonly number[] | null {
    const device = this.isHere(req) ? null : this.deviceOf(req);
    return device?.rights === 'round only' ? this.gardensOf(device) : null;
  }

  /** The link under which an invited device is let in by itself; its secret follows the #, which no server is sent. */
  linkOf({ link }: Pick<Invite, 'link'>): string {
    const { plain } = this.urls();
    const at = this.proxy ? `https://${this.proxy}` : (plain[0] ?? `http://127.0.0.1:${this.port}`);
    return `${at}/pair#${link}`;
  }

  private async inviteView(invite: Invite): Promise<InviteView> {
    const link = this.linkOf(invite);
    return {
      code: invite.code,
      link,
      picture: await QRCode.toString(link, { type: 'svg', margin: 2 }),
      rights: invite.rights,
      gardens: invite.gardens ?? [],
      until: invite.until.toISOString(),
    };
  }

  async view(asker: Device | null): Promise<SharingView> {
    const invite = this.pairing.standing(this.options.wall.now());
    return {
      on: this.on,
      ...this.urls(),
      proxy: this.proxy,
      trouble: this.on ? this.trouble : null,
      invite: invite ? await this.inviteView(invite) : null,
      devices: this.book.pages.devices.map((device) => ({
        id: device.id,
        name: device.name,
        rights: device.rights,
        gardens: [...this.gardensOf(device)],
        pairedAt: device.pairedAt,
        seenAt: device.seenAt,
        thisOne: device.id === asker?.id,
      })),
    };
  }

  /** A device shows a code or a link; let in, it is known again by the cookie. */
  async pair(
    shown: { code?: string; link?: string; name: string },
    req: IncomingMessage,
  ): Promise<{ asked: Asked; cookie?: string; device?: Device }> {
    const now = this.options.wall.now();
    const { asked, invite } = await this.pairing.ask(shown, this.addressOf(req), now);
    if (asked !== 'let in' || !invite) return { asked };
    // A browser that is connected again is the same device as before, so that what was entered on it stays its own.
    const before = this.deviceOf(req);
    const secret = randomBytes(24).toString('base64url');
    const device: Device = {
      id: before?.id ?? randomBytes(9).toString('base64url'),
      name: shown.name,
      rights: invite.rights,
      gardens: invite.gardens,
      house: invite.house,
      proof: proofOf(secret),
      pairedAt: now.toISOString(),
      seenAt: now.toISOString(),
    };
    const { pages } = this.book;
    pages.devices = [...pages.devices.filter(({ id }) => id !== device.id), device];
    this.book.keep();
    // What it hears from now on is by its new rights.
    if (before) this.onRevoked(before.id);
    const secure = this.isSecure(req);
    const cookie = stringifySetCookie({
      name: secure ? COOKIES.secure : COOKIES.plain,
      value: sign(`${device.id}~${secret}`, this.book.pages.secret),
      httpOnly: true,
      sameSite: 'strict',
      secure,
      path: '/',
      maxAge: COOKIE_DAYS * 86_400,
    });
    return { asked, cookie, device };
  }

  /**
   * The address that asks. Behind a declared proxy every connection is the proxy's own, which adds the address it was
   * asked from at the end of a header; whatever stands before that is the asker's own word.
   */
  private addressOf(req: IncomingMessage): string {
    const added = [req.headers['x-forwarded-for']].flat().join(',').split(',').at(-1)?.trim();
    const behind = this.proxy !== null && wayOf(req) === 'here';
    return (behind && added) || (req.socket.remoteAddress ?? '');
  }

  /** Whether what is answered goes back under a certificate, Kibble's own or the proxy's. */
  private isSecure(req: IncomingMessage): boolean {
    return (
      wayOf(req) === 'secure network' ||
      (this.proxy !== null && wayOf(req) === 'here' && req.headers['x-forwarded-proto'] === 'https')
    );
  }

  /** Whoever sits at the machine itself needs no code; behind a proxy nobody can be told from it, so that everybody does. */
  isHere(req: IncomingMessage): boolean {
    return wayOf(req) === 'here' && this.proxy === null;
  }

  /** The device that asks, where it was let in. */
  deviceOf(req: IncomingMessage): Device | null {
    const cookies = parseCookie(req.headers.cookie ?? '');
    for (const shown of [cookies[COOKIES.secure], cookies[COOKIES.plain]]) {
      const signed = shown === undefined ? false : unsign(shown, this.book.pages.secret);
      if (signed === false) continue;
      const [id, secret = ''] = signed.split('~');
      const device = this.book.pages.devices.find((d) => d.id === id);
      if (!device || !sameSecret(proofOf(secret), device.proof)) continue;
      this.seen(device);
      return device;
    }
    return null;
  }

  private seen(device: Device): void {
    const now = this.options.wall.now();
    if (now.getTime() - Date.parse(device.seenAt) < SEEN_MS) return;
    device.seenAt = now.toISOString();
    try {
      this.book.keep();
    } catch (error) {
      // A full disk keeps nobody out of the garden.
      this.options.log.warn({ err: error }, 'when a device was last seen could not be written down');
    }
  }

  who(req: IncomingMessage): WhoView {
    if (this.isHere(req)) return { letIn: true, here: true, name: null, rights: 'everything' };
    const device = this.deviceOf(req);
    return {
      letIn: device !== null,
      here: false,
      name: device?.name ?? null,
      rights: device?.rights ?? null,
    };
  }

  /** A device is let in no longer; whether it was there. */
  revoke(id: string): boolean {
    const { devices } = this.book.pages;
    const at = devices.findIndex((device) => device.id === id);
    if (at < 0) return false;
    devices.splice(at, 1);
    this.book.pages.feeds = this.book.pages.feeds.filter(({ deviceId }) => deviceId !== id);
    this.book.keep();
    this.onRevoked(id);
    return true;
  }

  /** The root of this household's authority, for a phone to trust. */
  async root(): Promise<string> {
    return (await authority(this.folder, this.options.wall.now())).cert;
  }

  /**
   * The secret part of a garden's calendar address: of its own for every device, made when it is first asked for there or
   * anew, in the place of the one before.
   */
  calendarSecret(gardenId: number, deviceId: string | null, anew = false): string {
    const { pages } = this.book;
    const isIts = (one: { gardenId: number; deviceId: string | null }): boolean =>
      one.gardenId === gardenId && one.deviceId === deviceId;
    const known = pages.feeds.find(isIts);
    if (known && !anew) return known.secret;
    const secret = randomBytes(24).toString('base64url');
    pages.feeds = [...pages.feeds.filter((one) => !isIts(one)), { gardenId, secret, deviceId }];
    this.book.keep();
    return secret;
  }

  isCalendarSecret(gardenId: number, shown: string): boolean {
    return this.book.pages.feeds.some((one) => one.gardenId === gardenId && sameSecret(one.secret, shown));
  }

  /** Opens the doors on the network; what cannot be opened is told, and the machine's own door stays as it is. */
  private async listen(): Promise<void> {
    const { app, port, options } = this;
    if (!app) return;
    this.trouble = null;
    const addresses = options.addresses ?? ownAddresses();
    const certificate = await certificateFor(
      this.folder,
      [...addresses, ...ownNames()],
      options.wall.now(),
    ).catch((error: unknown) => {
      options.log.error({ err: error }, 'no certificate could be made');
      return null;
    });
    for (const address of addresses) {
      try {
        this.listening.push(
          await listenAt(
            app,
            address,
            port,
            certificate && { key: certificate.key, cert: `${certificate.cert}\n${certificate.root}` },
          ),
        );
      } catch (error) {
        options.log.warn({ err: error, address }, 'an address could not be listened on');
      }
    }
    if (this.listening.length === 0)
      this.trouble =
        addresses.length === 0
          ? 'This machine has no address on a network just now.'
          : `Port ${port} is taken on ${addresses.join(' and ')}, or is not this machine’s.`;
  }

  private async fallSilent(): Promise<void> {
    const servers = this.listening.flatMap((l): Server[] => l.servers as Server[]);
    this.listening = [];
    await Promise.all(
      servers.map(
        (server) =>
          new Promise<void>((done) => {
            server.close(() => done());
            server.closeAllConnections();
          }),
      ),
    );
  }

  /** The machine moved to another network: its new addresses answer, the old ones no longer. */
  private async lookAgain(): Promise<void> {
    if (!this.on) return;
    const now = [...(this.options.addresses ?? ownAddresses())].sort().join(' ');
    if (
      now ===
      this.listening
        .map(({ address }) => address)
        .sort()
        .join(' ')
    )
      return;
    await this.fallSilent();
    await this.listen();
  }
}
