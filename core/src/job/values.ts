/** The values a job may choose among, apart from the schema so that the page need not carry its builder. */
export const EVIDENCE = ['measured', 'data-sheet', 'nameplate', 'typical', 'guess'] as const;
export const CHEMISTRIES = ['lfp', 'agm', 'gel', 'flooded'] as const;
export const SKIES = ['very-clear', 'mostly-clear', 'mixed', 'cloudy', 'overcast'] as const;
export const MARGINS = ['exact', 'plus-25', 'plus-50', 'room-to-grow'] as const;
export const PATHS = ['direct', 'dc-dc', 'inverter', 'inverter-adapter'] as const;
export const MAINS = ['230V-50Hz', '120V-60Hz'] as const;
export const BUS_VOLTAGES = [12, 24, 48] as const;
export const INSULATION = ['bare', 'light', 'good', 'thick'] as const;
