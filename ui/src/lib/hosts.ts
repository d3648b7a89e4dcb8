/** The host that is proposed first: one where the desk itself puts the records, before one by hand. */
export const usualHost = <H extends { has_key: boolean }>(hosts: H[]): H | undefined =>
  hosts.find((h) => h.has_key) ?? hosts[0];
