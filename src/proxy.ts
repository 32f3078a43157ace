import { type NextRequest, NextResponse } from "next/server";

/** Strict content security policy for pages: scripts and style sheets need this request's nonce or our own address; nothing comes from outside. */
export function proxy(request: NextRequest) {
  const nonce = btoa(crypto.randomUUID());
  const policy = [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${process.env.NODE_ENV === "production" ? "" : " 'unsafe-eval'"}`,
    `style-src 'self' 'nonce-${nonce}'`,
    // widths and places that are worked out stand on the elements themselves
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'self'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join("; ");
  const headers = new Headers(request.headers);
  headers.set("x-nonce", nonce);
  headers.set("content-security-policy", policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set("content-security-policy", policy);
  return response;
}

/** Pages alone: what passes through here is read into memory first, and large pictures and packs go to /api. */
export const config = {
  matcher: ["/((?!api/|_next/static|_next/image|flora.json|icon.svg|icons/|serwist/|manifest.webmanifest).*)"],
};
