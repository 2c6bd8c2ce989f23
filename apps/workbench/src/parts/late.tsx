import { lazy, Suspense, type ComponentType, type ReactNode } from 'react';
import { afterDrawing } from './after-drawing.js';

/** A component that is fetched once what stands around it has been drawn; `meanwhile` stands in its place until then. */
export function late<Props extends object>(
  load: () => Promise<ComponentType<Props>>,
  meanwhile: ReactNode = null,
): ComponentType<Props> {
  const Loaded = lazy(async () => {
    await afterDrawing();
    return { default: await load() };
  });
  return function Late(props: Props): ReactNode {
    return (
      <Suspense fallback={meanwhile}>
        <Loaded {...props} />
      </Suspense>
    );
  };
}
