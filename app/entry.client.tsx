import { CacheProvider } from "@emotion/react";
import { startTransition, StrictMode } from "react";
import { hydrateRoot } from "react-dom/client";
import { HydratedRouter } from "react-router/dom";
import { pageNonce } from "./ui/nonce.ts";
import { styleCache } from "./ui/style-cache.ts";

startTransition(() => {
  hydrateRoot(
    document,
    <StrictMode>
      <CacheProvider value={styleCache(pageNonce())}>
        <HydratedRouter />
      </CacheProvider>
    </StrictMode>,
  );
});
