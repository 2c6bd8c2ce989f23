/** Formats of hosts, and of the mail addresses at them. */
import { isHostname, isInternationalHostname } from '../hostnames.js';
import type { Format, Formats } from './format.js';
import { isIpv4, isIpv6 } from './ip.js';

const atom = /^[A-Za-z0-9!#$%&'*+/=?^_`{|}~-]+$/;
const wideAtom = /^[A-Za-z0-9!#$%&'*+/=?^_`{|}~\u0080-\u{10FFFF}-]+$/u;
function email(atomText: RegExp, isHost: Format): Format {
  return (text) => {
    const split = text.lastIndexOf('@');
    if (split < 1) return false;
    const local = text.slice(0, split);
    const host = text.slice(split + 1);
    const localFits = /^"(?:[^"\\\r\n]|\\.)*"$/.test(local) || local.split('.').every((part) => atomText.test(part));
    if (!localFits) return false;
    const literal = /^\[(?:IPv6:(.+)|(.+))\]$/.exec(host);
    return literal ? (literal[1] !== undefined ? isIpv6(literal[1]) : isIpv4(literal[2] ?? '')) : isHost(host);
  };
}

export const hosts: Formats = {
  email: /* @__PURE__ */ email(atom, isHostname),
  'idn-email': /* @__PURE__ */ email(wideAtom, isInternationalHostname),
  hostname: isHostname,
  'idn-hostname': isInternationalHostname,
  ipv4: isIpv4,
  ipv6: isIpv6,
};
