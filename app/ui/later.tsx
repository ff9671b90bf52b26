/** Dialogs and views that few open: their code is loaded when they are first shown. */
import { createElement, lazy, Suspense, type ComponentType } from "react";

/** A part of a screen whose code is loaded when the part is first drawn. */
export function later<P extends object>(load: () => Promise<ComponentType<P>>): ComponentType<P> {
  const Part: ComponentType<P> = lazy(async () => ({ default: await load() }));
  return function Later(props: P) {
    return <Suspense fallback={null}>{createElement(Part, props)}</Suspense>;
  };
}
