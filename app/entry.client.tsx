import { CacheProvider } from "@emotion/react";
import { startTransition, StrictMode } from "react";
import { hydrateRoot } from "react-dom/client";
import { HydratedRouter } from "react-router/dom";
import { styleCache } from "./ui/style-cache.ts";

const nonce = document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce;

startTransition(() => {
  hydrateRoot(
    document,
    <StrictMode>
      <CacheProvider value={styleCache(nonce)}>
        <HydratedRouter />
      </CacheProvider>
    </StrictMode>,
  );
});
