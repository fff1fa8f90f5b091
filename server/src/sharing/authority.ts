import { X509Certificate } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { createCA, createCert, type Certificate } from 'mkcert';
import { z } from 'zod';
import { writePrivately } from './book.ts';

/** Days an authority and a certificate hold; phones take no certificate of more than 825 days. A new one is made in its last weeks. */
const AUTHORITY_DAYS = 3650;
const CERTIFICATE_DAYS = 390;
const RENEWED_DAYS = 30;
const DAY_MS = 86_400_000;

const kept = z.object({ key: z.string(), cert: z.string() });

function keptIn(file: string, now: Date): Certificate | null {
  if (!existsSync(file)) return null;
  try {
    const made = kept.parse(JSON.parse(readFileSync(file, 'utf8')));
    const { validFrom, validTo } = new X509Certificate(made.cert);
    // Made while this computer's clock was ahead, it is not valid yet for anybody whose clock is right.
    const holds = Date.parse(validFrom) <= now.getTime() + DAY_MS;
    const lasts = Date.parse(validTo) - now.getTime() > RENEWED_DAYS * DAY_MS;
    return holds && lasts ? made : null;
  } catch {
    return null;
  }
}

/** Names a certificate was made for, as `address` or `name`. */
const namesOf = (cert: string): string[] =>
  (new X509Certificate(cert).subjectAltName ?? '')
    .split(', ')
    .map((name) => name.replace(/^(DNS|IP Address):/, ''));

/**
 * This household's own small authority: made once, kept beside the data for its owner alone. A phone that trusts it takes
 * Kibble's certificate, and with it the installed app.
 */
export async function authority(folder: string, now: Date): Promise<Certificate> {
  const file = join(folder, 'authority.json');
  const known = keptIn(file, now);
  if (known) return known;
  const made = await createCA({
    organization: 'Kibble at home',
    countryCode: 'ZZ',
    state: 'home',
    locality: 'home',
    validity: AUTHORITY_DAYS,
  });
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  writePrivately(file, JSON.stringify(made));
  return made;
}

/** A certificate for the names under which this machine is reached, made anew when they change or its time runs out. */
export async function certificateFor(
  folder: string,
  names: readonly string[],
  now: Date,
): Promise<Certificate & { root: string }> {
  const ca = await authority(folder, now);
  const file = join(folder, 'certificate.json');
  const known = keptIn(file, now);
  const holds =
    known &&
    new X509Certificate(known.cert).checkIssued(new X509Certificate(ca.cert)) &&
    names.every((name) => namesOf(known.cert).includes(name));
  if (known && holds) return { ...known, root: ca.cert };
  const made = await createCert({ ca, domains: [...names], validity: CERTIFICATE_DAYS });
  writePrivately(file, JSON.stringify(made));
  return { ...made, root: ca.cert };
}
