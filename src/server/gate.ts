import { senderRefusal, type SenderRefusal } from './sender';
import { itemAt } from '@/core/required';

/** What every answer carries, whoever gives it, beside its content policy. */
const SECURITY_HEADERS: Readonly<Record<string, string>> = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'same-origin',
  'x-frame-options': 'DENY',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  'permissions-policy':
    'camera=(), display-capture=(), geolocation=(), microphone=(), midi=(), payment=(), serial=(), usb=()',
};

/** Scripts and what else belongs to pages: a worker lives by the policy of its own script. */
const FILE_POLICY =
  "default-src 'self'; img-src 'self' data: blob:; object-src 'none'; base-uri 'none'; frame-ancestors 'none'";
/** Values, and refusals: nothing in them is ever shown as a document. */
const VALUE_POLICY = "default-src 'none'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'";
/** Opened by itself, what somebody sent as a picture runs nothing and knows nothing of this site. */
const PICTURE_POLICY = `${VALUE_POLICY}; sandbox`;

/**
 * The headers of every answer at an address. Pages bring a content policy of their own (see proxy.ts), which names
 * their scripts.
 */
export function securityHeaders(url: string): Readonly<Record<string, string>> {
  const policy = policyOf(url);
  return policy === null ? SECURITY_HEADERS : { ...SECURITY_HEADERS, 'content-security-policy': policy };
}

/** The headers of an answer that is given without looking at the address, or in place of a page. */
export const refusalHeaders = { ...SECURITY_HEADERS, 'content-security-policy': VALUE_POLICY };

function policyOf(url: string): string | null {
  if (/^\/api\/trains\/[^/?]+\/pictures\/[^/?]/.test(url)) return PICTURE_POLICY;
  if (isApi(url)) return VALUE_POLICY;
  return /^\/(?:_next\/|favicon|icon)/.test(url) ? FILE_POLICY : null;
}

const PAGE_METHODS = ['GET', 'HEAD', 'OPTIONS'];
const API_METHODS = ['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS'];

/** An answer that is given at the gate. */
export type Redirected = SenderRefusal & { readonly headers?: Readonly<Record<string, string>> };

export interface Arriving {
  readonly method: string;
  /** Path and query as they were sent. */
  readonly url: string;
  readonly headers: Headers;
}

export const isApi = (url: string): boolean => /^\/api(?:[/?]|$)/.test(url);

/**
 * What every request has to pass before anything looks at it, pages, files and the API alike: a host that is served
 * here, a method that the address can have, an address that can be read, and for a change a page of this site. Null
 * when it may pass.
 */
export function refuseArriving({ method, url, headers }: Arriving): Redirected | null {
  const methods = isApi(url) ? API_METHODS : PAGE_METHODS;
  const refusal = senderRefusal({ method, headers });
  if (refusal) return refusal;
  if (isBundle(url) && isFromElsewhere(headers))
    return { status: 403, code: 'origin', message: 'Bundles are given to pages of this site only.' };
  if (!methods.includes(method))
    return {
      status: 405,
      code: 'method',
      message: `This address answers ${methods.join(', ')} only.`,
      headers: { allow: methods.join(', ') },
    };
  if (!isReadable(url))
    return {
      status: 400,
      code: 'bad-address',
      message: 'This address holds a percent sign or a character that no address here can have.',
    };
  if (method === 'OPTIONS' && !isApi(url))
    return { status: 204, code: '', message: '', headers: { allow: methods.join(', ') } };
  return null;
}

/** All that is kept, in one answer that takes long to make: no other site starts that. */
const isBundle = (url: string): boolean => /^\/api\/bundle(?:[/?]|$)/.test(url);

/** As browsers say it; what is no browser says nothing. */
const isFromElsewhere = (headers: Headers): boolean =>
  !['same-origin', 'none', null].includes(headers.get('sec-fetch-site'));

/** Its path in words: every percent sign stands for a character, and none is a control character. */
function isReadable(url: string): boolean {
  try {
    return !/[\u0000-\u001f\u007f]/.test(decodeURIComponent(itemAt(url.split('?'), 0)));
  } catch {
    return false;
  }
}
