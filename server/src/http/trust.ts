import { X509Certificate } from 'node:crypto';
import { trustSchema } from '@lintrel/core';
import { toString as codeOf } from 'qrcode';
import { notFound } from '../errors/errors';
import { type Route, route } from './route';

/** Addresses of this server over HTTPS, and the authority a phone installs for them. */
export interface Trust {
  /** Addresses of the shop as typed on phones, over HTTPS. */
  readonly addresses: () => readonly string[];
  /** The shop's own authority, PEM; null: its certificate was given from outside, or there is none. */
  readonly authority: () => string | null;
}

/** /api/trust: what a phone needs to install the authority of this shop; all of it is public. */
export const trustRoutes: readonly Route[] = [
  route({
    method: 'GET',
    path: '/trust',
    right: 'open',
    answer: trustSchema,
    work({ shop: { trust } }) {
      const authority = trust.authority();
      return {
        addresses: [...trust.addresses()],
        fingerprint: authority === null ? null : new X509Certificate(authority).fingerprint256,
      };
    },
  }),
  route({
    method: 'GET',
    path: '/trust/certificate',
    right: 'open',
    answer: 'own',
    work({ shop: { trust }, response }) {
      const authority = trust.authority();
      if (authority === null) throw notFound('certificate');
      response.type('application/x-x509-ca-cert').attachment('lintrel-shop.crt');
      response.send(new X509Certificate(authority).raw);
    },
  }),
  route({
    method: 'GET',
    path: '/trust/code.svg',
    right: 'open',
    answer: 'own',
    async work({ shop: { trust }, response }) {
      const [first] = trust.addresses();
      if (first === undefined) throw notFound('phone-address');
      // A phone that does not trust us yet comes by plain HTTP.
      const code = await codeOf(`${first.replace('https:', 'http:')}/trust`, {
        type: 'svg',
        margin: 2,
        color: { dark: '#1D2A2D', light: '#FBFAF6' },
      });
      response.type('image/svg+xml').send(code);
    },
  }),
];
