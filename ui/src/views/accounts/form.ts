import { api, ask } from '../../lib/api';

/** What the form of an account asks for; it changes with the desk's version alone. */
export const accountForm = () => ({
  queryKey: ['account-form'],
  queryFn: () => ask(api.GET('/api/accounts/form')),
  staleTime: Infinity,
});
