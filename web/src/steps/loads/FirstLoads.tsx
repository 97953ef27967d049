import { loadsOfTemplate, proposeLoad, TEMPLATES } from '@joulemetric/core';
import { addLoad, addLoads } from '../../commands/loads.ts';
import { useEditing } from '../../shell/JobContext.tsx';

const EXAMPLES = [
  'Fridge',
  '2 laptops 5 h',
  'LED lights 14 W 4 h',
  'Kettle 3 × 4 min',
  'Pump 12V 3,5A 3x3min',
] as const;

/** The empty list teaches by doing: each example adds the load it shows. */
export function FirstLoads() {
  const { edit } = useEditing();
  const take = (text: string) => {
    const { load } = proposeLoad(text, (name) => name);
    if (load) edit(addLoad(load));
  };
  return (
    <div className="max-w-[560px] py-8">
      <p className="text-number">
        Write down one appliance a line, the way you would on a pad: its name, its watts or volts and amps, how long.
        What you leave out is filled with typical figures until you measure.
      </p>
      <p className="mt-5 text-note text-ink-2">Take one to begin with:</p>
      <ul>
        {EXAMPLES.map((example) => (
          <li key={example}>
            <button
              type="button"
              onClick={() => take(example)}
              className="num w-full border-b border-line py-1.5 text-left text-number font-medium hover:bg-wash phone:min-h-11"
            >
              {example}
            </button>
          </li>
        ))}
      </ul>
      <p className="mt-5 text-note text-ink-2">Or a whole way of living, to change as you go:</p>
      <ul>
        {TEMPLATES.map((template) => (
          <li key={template.name}>
            <button
              type="button"
              onClick={() => edit(addLoads(loadsOfTemplate(template, [])))}
              className="flex w-full justify-between gap-4 border-b border-line py-1.5 text-left text-number hover:bg-wash phone:min-h-11"
            >
              <span className="font-medium">{template.name}</span>
              <span className="num text-ink-2">
                {template.types.length} loads: {template.about}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
