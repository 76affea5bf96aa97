/** What the build says of itself. */
interface ImportMeta {
  readonly env: { readonly PROD: boolean };
}
