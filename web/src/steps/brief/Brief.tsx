import { driveHours, type Job, MARGIN, monthName, withDriveHours } from '@joulemetric/core';
import { ToggleGroup } from 'radix-ui';
import { useLocation } from 'react-router';
import { changeAlternator, changeBrief, changeJob, changeRules } from '../../commands/design.ts';
import { useAssessment, useJob } from '../../shell/JobContext.tsx';
import { PhoneOptions } from '../../shell/PhoneBar.tsx';
import { Choice, QuantityField, TextField } from '../../ui/Field.tsx';
import { Fig } from '../../ui/Fig.tsx';
import { FindingLine } from '../../ui/FindingLine.tsx';
import { CoincideChoice, StartingChoice } from '../../ui/MomentSchools.tsx';
import { StepHead } from '../../ui/Question.tsx';
import { RegionField } from '../../ui/RegionField.tsx';
import { Place } from './Place.tsx';
import { Section } from './Section.tsx';

/** Step 1: who, where, when, how long, and the electrician's own rules. */
export function Brief() {
  const assessment = useAssessment();
  const findings = assessment.findings.filter(({ where }) => where.step === 'brief');
  return (
    <div className="px-5 pb-10 pt-3.5 phone:px-4">
      <PhoneOptions />
      <StepHead question="Who is it for, where and for how long?">
        With this brief the sun gives <Fig id="sun.hours" /> of full sun a day in the darkest month of use.
      </StepHead>
      {findings.map((finding) => (
        <FindingLine key={finding.code} finding={finding} />
      ))}
      <div className="grid grid-cols-2 gap-x-10 @max-[720px]:grid-cols-1">
        <Client />
        <Stay />
        <Place />
        <Vehicle />
        <Prices />
        <Rules />
      </div>
    </div>
  );
}

function Client() {
  const { job, edit } = useJob();
  const { state } = useLocation();
  const nameIt = (state as { nameIt?: boolean } | null)?.nameIt === true;
  return (
    <Section title="Client and vehicle">
      <div className="col-span-2">
        <TextField
          label="Job"
          ready={nameIt}
          required
          value={job.title}
          onChange={(title) => edit(changeJob({ title }), 'title')}
        />
      </div>
      <TextField label="Client" value={job.client} onChange={(client) => edit(changeJob({ client }), 'client')} />
      <TextField label="Vehicle" value={job.vehicle} onChange={(vehicle) => edit(changeJob({ vehicle }), 'vehicle')} />
    </Section>
  );
}

function Stay() {
  const { job, edit } = useJob();
  const { brief } = job;
  return (
    <Section title="The stay">
      <QuantityField
        label="Nights away from power"
        unit="nights"
        value={brief.nightsOffGrid}
        min={1}
        max={365}
        whole
        onChange={(value) => value !== null && edit(changeBrief({ nightsOffGrid: value }), 'nights')}
      />
      <QuantityField
        label="Sunless days to ride through"
        unit="days"
        value={brief.sunlessDays}
        min={0}
        max={30}
        onChange={(value) => value !== null && edit(changeBrief({ sunlessDays: value }), 'sunless')}
      />
      <div className="col-span-2">
        <Months months={brief.months} onChange={(months) => edit(changeBrief({ months }))} />
      </div>
    </Section>
  );
}

function Months({ months, onChange }: { months: readonly number[]; onChange: (months: number[]) => void }) {
  return (
    <div>
      <p className="text-note text-ink-2" id="months-label">
        Months of use
      </p>
      <ToggleGroup.Root
        type="multiple"
        aria-labelledby="months-label"
        value={months.map(String)}
        onValueChange={(chosen) => {
          if (chosen.length > 0) onChange(chosen.map(Number).sort((a, b) => a - b));
        }}
        className="mt-1.5 grid grid-cols-12"
      >
        {Array.from({ length: 12 }, (_, i) => i + 1).map((month) => (
          <ToggleGroup.Item
            key={month}
            value={String(month)}
            aria-label={monthName(month)}
            title={monthName(month)}
            className="num -ml-px border border-line py-1 text-note first:ml-0 data-[state=on]:border-ink data-[state=on]:bg-ink data-[state=on]:text-paper phone:min-h-11"
          >
            {monthName(month).slice(0, 1)}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
    </div>
  );
}

function Vehicle() {
  const { job, edit } = useJob();
  const { brief } = job;
  return (
    <Section title="Driving and carrying">
      <QuantityField
        label="Driving on a usual day"
        unit="h"
        value={driveHours(brief)}
        min={0}
        max={24}
        onChange={(hours) =>
          hours !== null && edit(changeBrief({ drives: withDriveHours(brief.drives, hours) }), 'drive')
        }
      />
      <QuantityField
        label="Alternator, on its label"
        unit="A"
        value={brief.alternator.ratingA}
        min={0}
        max={1000}
        onChange={(value) => value !== null && edit(changeAlternator({ ratingA: value }), 'alternator')}
      />
      <Choice
        label="Vehicle’s own electrics"
        value={String(brief.alternator.systemV) as '12' | '24'}
        options={[
          { value: '12', label: '12 V' },
          { value: '24', label: '24 V' },
        ]}
        onChange={(volts) => edit(changeAlternator({ systemV: volts === '24' ? 24 : 12 }))}
      />
      <RegionField
        quantity="kg"
        label="Payload left before this kit"
        value={brief.payloadKg}
        auto="not known"
        min={0}
        max={50_000}
        onChange={(value) => edit(changeBrief({ payloadKg: value }), 'payload')}
      />
    </Section>
  );
}

/** What capacity and energy cost: the moves on the Paths step are priced by it. */
function Prices() {
  const { job, edit } = useJob();
  const { prices, region } = job.brief;
  const set = (part: Partial<Job['brief']['prices']>, key: string) =>
    edit(changeBrief({ prices: { ...prices, ...part } }), `price-${key}`);
  return (
    <Section title="Prices, your own">
      <QuantityField
        label="A kWh of store"
        unit={region.currency}
        value={prices.storePerKwh}
        auto="not given"
        min={0}
        max={100_000}
        onChange={(storePerKwh) => set({ storePerKwh }, 'store')}
      />
      <QuantityField
        label="A watt of panel"
        unit={region.currency}
        value={prices.arrayPerW}
        auto="not given"
        min={0}
        max={1000}
        onChange={(arrayPerW) => set({ arrayPerW }, 'array')}
      />
      <QuantityField
        label="A kWh from hookup or generator"
        unit={region.currency}
        value={prices.energyPerKwh}
        auto="not given"
        min={0}
        max={1000}
        onChange={(energyPerKwh) => set({ energyPerKwh }, 'energy')}
      />
    </Section>
  );
}

const sentence = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;

/** House rules: where good electricians differ, both sides are said. */
function Rules() {
  const { job, edit } = useJob();
  const { rules } = job;
  const margins = Object.entries(MARGIN).map(([value, { name }]) => ({
    value: value as Job['rules']['inverterMargin'],
    label: name,
  }));
  return (
    <Section title="House rules" wide>
      <Choice
        label="Room above the worst moment"
        value={rules.inverterMargin}
        options={margins}
        note={`${sentence(MARGIN[rules.inverterMargin].why)} ${sentence(MARGIN[rules.inverterMargin].against)}`}
        onChange={(inverterMargin) => edit(changeRules({ inverterMargin }))}
      />
      <Choice
        label="Inverter efficiency"
        value={rules.inverterCurve}
        options={[
          { value: 'curve', label: 'varies with load' },
          { value: 'flat', label: 'one flat figure' },
        ]}
        note={
          rules.inverterCurve === 'curve'
            ? 'Poor at small loads, best near a third, falling towards full load.'
            : 'Quick and close enough when the inverter always works near one load.'
        }
        onChange={(inverterCurve) => edit(changeRules({ inverterCurve }))}
      />
      <Choice
        label="The array covers"
        value={rules.arrayCovers}
        options={[
          { value: 'the-rest', label: 'what driving leaves' },
          { value: 'everything', label: 'the whole need' },
        ]}
        note={
          rules.arrayCovers === 'the-rest'
            ? 'Less roof and weight; relies on the drive being driven.'
            : 'Stands still for days without running short; more roof and weight.'
        }
        onChange={(arrayCovers) => edit(changeRules({ arrayCovers }))}
      />
      <QuantityField
        label="Flat factor on panel watts"
        unit=""
        value={rules.arrayFactor}
        auto="from heat, dirt, wiring"
        min={0.3}
        max={1}
        note="Some take one figure such as 0.75; left empty it is computed."
        onChange={(value) => edit(changeRules({ arrayFactor: value }), 'array-factor')}
      />
      <CoincideChoice />
      <StartingChoice />
    </Section>
  );
}
