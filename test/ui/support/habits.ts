import type { HabitField } from '../../../ui/src/views/accounts/habits';

/** A habit as the server declares it. */
export const habit = (
  id: string,
  kind: HabitField['kind'],
  more: Partial<HabitField> = {},
): HabitField => ({
  id,
  kind,
  path: [id],
  section: 'codes',
  label: `Label of ${id}`,
  of: [],
  default: null,
  required: false,
  ...more,
});

const choice = (id: string, of: string[], more: Partial<HabitField> = {}) =>
  habit(id, 'choice', { of: of.map((v) => [v, v]), ...more });

export const HABITS: HabitField[] = [
  habit('login', 'name', { section: 'first' }),
  choice('way_unlock', ['connection', 'page', 'letter'], {
    path: ['ways', 'unlock'],
    section: 'ways',
  }),
  habit('code_takes', 'minutes'),
  habit('contacts_late', 'hours'),
  habit('reads', 'yes', { path: ['reads_contacts'] }),
  habit('suffixes', 'suffixes'),
  habit('registrar_names', 'list'),
  habit('service', 'name', { path: ['privacy_service', 'title'], required: true }),
  habit('service_identity', 'yes', { path: ['privacy_service', 'identity'] }),
  choice('list_separator', [',', ';'], { path: ['list', 'separator'], default: ',' }),
  choice('list_quoting', ['needed', 'never'], { path: ['list', 'quoting'], default: 'needed' }),
  habit('confirm_link', 'flag', { path: ['confirms', 'link'] }),
  habit('confirm_code', 'flag', { path: ['confirms', 'code'] }),
  choice('aim_lock', ['', 'on', 'off'], { path: ['aims', 'lock'] }),
];
