import type { Device, Load } from '@joulemetric/core';
import { useOption } from '../../shell/JobContext.tsx';
import { Choice } from '../../ui/Field.tsx';

const KIND_OF_PATH: Readonly<Partial<Record<Load['path'], Device['kind']>>> = {
  inverter: 'inverter',
  'inverter-adapter': 'inverter',
  'dc-dc': 'converter',
  station: 'port',
};

/** Which inverter, converter or port feeds it, when there is a choice. */
export function DeviceChoice({ load, onChange }: { load: Load; onChange: (device: string | null) => void }) {
  const { devices } = useOption().system;
  const kind = KIND_OF_PATH[load.path];
  const fitting = devices.filter((device) => device.kind === kind);
  if (fitting.length < (kind === 'converter' ? 1 : 2)) return null;
  const usual = kind === 'converter' ? 'a converter of its own' : `${fitting[0]?.name}, the first`;
  return (
    <Choice
      label="Fed by"
      value={load.device ?? ''}
      options={[{ value: '', label: usual }, ...fitting.map(({ id, name }) => ({ value: id, label: name }))]}
      onChange={(id) => onChange(id === '' ? null : id)}
    />
  );
}
