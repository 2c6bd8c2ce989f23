/** @jest-environment jsdom */
import { act, type ReactNode } from 'react';
import { createRoot } from 'react-dom/client';

jest.mock('react', () => ({ ...jest.requireActual<object>('react') }));
(globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true;

it('hears of what fails while it is drawn, where the root tells nobody', async () => {
  // A framework of before its roots tell; what draws has asked for the version by now.
  jest.requireMock<{ version: string }>('react').version = '18.3.1';
  const { Catching } = await import('../src/catching.js');
  const quiet = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  const tell = jest.fn();
  const Adrift = (): ReactNode => {
    throw new Error('no provider');
  };
  const host = document.createElement('div');
  const root = createRoot(host);
  act(() =>
    root.render(
      <Catching tell={tell}>
        <Adrift />
      </Catching>,
    ),
  );
  expect(tell).toHaveBeenCalledTimes(1);
  expect(tell).toHaveBeenCalledWith(expect.objectContaining({ message: 'no provider' }));
  expect(host.innerHTML).toBe('');
  act(() => root.unmount());
  quiet.mockRestore();
});
