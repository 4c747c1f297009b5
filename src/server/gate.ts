import { senderRefusal, type Refusal } from './sender';

/** What every answer carries, whoever gives it. */
export const SECURITY_HEADERS: Readonly<Record<string, string>> = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'same-origin',
  'x-frame-options': 'DENY',
  'cross-origin-opener-policy': 'same-origin',
};

const PAGE_METHODS = ['GET', 'HEAD', 'OPTIONS'];
const API_METHODS = ['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS'];

/** An answer that is given at the gate. */
export type Turned = Refusal & { readonly headers?: Readonly<Record<string, string>> };

export interface Arriving {
  readonly method: string;
  /** Path and query as they were sent. */
  readonly url: string;
  readonly headers: Headers;
}

export const isApi = (url: string): boolean => /^\/api(?:[/?]|$)/.test(url);

/**
 * What every request has to pass before anything looks at it, pages, files and the API alike: a host that is served here, a method that
 * the address can have, an address that can be read, and for a change a page of this site. Null when it may pass.
 */
export function turnedAway({ method, url, headers }: Arriving): Turned | null {
  const methods = isApi(url) ? API_METHODS : PAGE_METHODS;
  const refusal = senderRefusal({ method, headers });
  if (refusal) return refusal;
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

/** Its path in words: every percent sign stands for a character, and none is a control character. */
function isReadable(url: string): boolean {
  try {
    return !/[\u0000-\u001f\u007f]/.test(decodeURIComponent(url.split('?')[0]!));
  } catch {
    return false;
  }
}
