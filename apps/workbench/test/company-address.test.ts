import { companyAddress } from '../src/parts/company-address.js';

it.each([
  ['/company/ports?search=tor', '/company/ports?search=tor'],
  ['/company/crossings/SK%20214', '/company/crossings/SK%20214'],
  ['/company/../api/kit', undefined],
  ['/company/%2e%2e/api/kit', undefined],
  ['/company/%2E%2e%2fapi', undefined],
  ['/company/a%252e%252e%252fapi', undefined],
  ['/company\\..\\api', undefined],
  ['//elsewhere.example/company/ports', undefined],
  ['https://elsewhere.example/company/', undefined],
  ['/companyother', undefined],
  ['/company/%zz', undefined],
])('an address from a frame is asked after resolving: %s', (address, asked) =>
  expect(companyAddress(address)).toBe(asked),
);
