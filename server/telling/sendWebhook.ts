import { lookup } from 'node:dns';
import { request as httpRequest, type RequestOptions } from 'node:http';
import { request as httpsRequest } from 'node:https';
import { isIP, type LookupFunction } from 'node:net';

import { resultOfStatus, signatureOf, type TryResult } from '@/core/inbox/notifications';

import { isPublicAddress } from '../guard/isPublicAddress';

const timeoutMs = 10_000;

/** Posts one body to a web address. */
export type SendWebhook = (id: string, body: string, url: string, secret: string) => Promise<TryResult>;

class PrivateAddress extends Error {}

/**
 * @param allowed hosts with ports ("localhost:4310") that are told although they are inside a private network.
 * Which address a name has is looked at when it is connected to, so that no name can lead inside; redirections are not
 * followed, for the same reason.
 */
export function makeSendWebhook(allowed: readonly string[]): SendWebhook {
  return async (deliveryId, body, address, secret) => {
    const id = inHeader(deliveryId);
    const url = new URL(address);
    const isAllowed = allowed.includes(
      `${url.hostname}:${url.port || (url.protocol === 'https:' ? 443 : 80)}`,
    );
    const host = url.hostname.replace(/^\[|\]$/g, '');
    if (!isAllowed && isIP(host) !== 0 && !isPublicAddress(host)) return refused(url.hostname);
    const seconds = Math.floor(Date.now() / 1000);
    const headers = {
      'content-type': 'application/json',
      'content-length': Buffer.byteLength(body),
      'user-agent': 'Cendro',
      'webhook-id': id,
      'webhook-timestamp': String(seconds),
      'webhook-signature': signatureOf(secret, id, seconds, body),
    };
    const options: RequestOptions = { method: 'POST', headers, timeout: timeoutMs };
    try {
      return resultOfStatus(await post(url, isAllowed ? options : { ...options, lookup: publicOnly }, body));
    } catch (error) {
      if (error instanceof PrivateAddress) return refused(url.hostname);
      const problem = `It could not be reached: ${error instanceof Error ? error.message : String(error)}.`;
      return { ok: false, forGood: false, problem };
    }
  };
}

/** A header holds no line ends, and no letters beyond ASCII. */
const inHeader = (id: string) =>
  id.replace(/[^\x21-\x7e]/gu, (sign) =>
    [...Buffer.from(sign)].map((byte) => `%${byte.toString(16).padStart(2, '0')}`).join(''),
  );

const refused = (host: string): TryResult => ({
  ok: false,
  forGood: true,
  problem: `${host} is inside a private network, and this server was not allowed to tell it.`,
});

const publicOnly: LookupFunction = (host, options, done) => {
  lookup(host, { ...options, all: true }, (error, found) => {
    if (error) return done(error, '', 0);
    const isInside = found.some(({ address }) => !isPublicAddress(address));
    if (isInside || found[0] === undefined) return done(new PrivateAddress(host), '', 0);
    if (options.all) return done(null, found);
    done(null, found[0].address, found[0].family);
  });
};

/** The status it answered with; what it says besides is not listened to. */
function post(url: URL, options: RequestOptions, body: string): Promise<number> {
  const send = url.protocol === 'https:' ? httpsRequest : httpRequest;
  return new Promise((resolve, reject) => {
    const request = send(url, options, (response) => {
      response.destroy();
      resolve(response.statusCode ?? 0);
    });
    request.on('timeout', () => request.destroy(new Error(`no answer in ${timeoutMs / 1000} s`)));
    request.on('error', reject);
    request.end(body);
  });
}
