/** Where letters go; null where nobody agreed to any, or an address came from elsewhere and was not agreed to again. */
export const mailAddress = ({
  mail,
}: {
  readonly mail?: { readonly address: string; readonly agreedOn: string | null } | null;
}): string | null => (mail && mail.agreedOn !== null ? mail.address : null);
