import { builtIn } from '@poietra/core';
import type { ReactNode } from 'react';
import { Outlet, useNavigate } from 'react-router';
import { freeName } from '../../parts/names.js';
import { TwoPanes } from '../../parts/two-panes.js';
import { Verdict } from '../../parts/verdict.js';
import { useFailing } from '../../parts/use-failing.js';
import { useKit } from '../../store/kit.js';

export function Component(): ReactNode {
  const { kit, edit } = useKit();
  const navigate = useNavigate();
  const failingBy = useFailing();
  const add = (): void => {
    const name = freeName('codec', kit.codecs);
    edit(`Add the codec ${name}`, { [`/codecs/${name}`]: { kind: 'text', title: 'New codec', cases: [] } });
    void navigate(`/codecs/${name}`);
  };
  const rows = Object.entries(kit.codecs).map(([id, codec]) => {
    const cases = codec.cases ?? [];
    const failing = failingBy?.[id];
    const verdict =
      codec.kind === 'code' ? (
        <Verdict kind="unknown">runs on its page</Verdict>
      ) : cases.length === 0 ? (
        <Verdict kind="unknown">no cases</Verdict>
      ) : failing === undefined ? (
        <Verdict kind="unknown">{cases.length} cases</Verdict>
      ) : failing > 0 ? (
        <Verdict kind="fail">
          {failing} of {cases.length} fail
        </Verdict>
      ) : (
        <Verdict kind="pass">{cases.length} cases</Verdict>
      );
    return {
      id,
      title: codec.title ?? id,
      note: (
        <span className="flex justify-between gap-2">
          {builtIn[codec.kind]?.title ?? codec.kind}
          {verdict}
        </span>
      ),
    };
  });
  return (
    <TwoPanes
      name="Codecs"
      path="/codecs"
      rows={rows}
      teach={
        <p>
          A codec takes a value from what an input shows to what the form holds and the server gets, and back. Its table
          of cases proves that nothing is lost on the way.
        </p>
      }
      onAdd={add}
    >
      <Outlet />
    </TwoPanes>
  );
}
