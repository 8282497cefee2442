import { firstOf, settingCounts, type BuildDocument, type State } from '@apple-cart/core';
import { useSearchParams } from 'react-router';
import { SETUP_VIEWS, type SetupView } from '../../screens/setup-views.ts';
import { ChoiceField } from '../../fields/choice-field.tsx';
import { useBuild } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';
import { TextField } from '../../fields/text-field.tsx';
import { FieldGroup } from '../../fields/field-group.tsx';
import { Caution } from '../../ui/caution.tsx';
import { Stage, StageFindings } from '../parts/stage.tsx';
import { ViewLinks } from '../parts/view-links.tsx';
import { CutoffsInputs, CutoffsPicture } from './cutoffs-view.tsx';
import { LevelsInputs, LevelsPicture } from './levels-view.tsx';
import { ThrottleSpan } from './throttle-span.tsx';
import { OtherSettings } from './other-settings.tsx';
import { SettingsTable } from './settings-table.tsx';
import { SpeedInputs, SpeedPicture, ratioOf } from './speed-view.tsx';
import { useSettingsSheet, type SettingsSheet } from './use-settings-sheet.ts';

/** By what settings go in: a plug of its own is a part of the harness, and its lead is bought. */
function Reached({ document: { controller } }: { document: BuildDocument }) {
  const edit = useBuild((state) => state.edit);
  return (
    <ChoiceField<BuildDocument['controller']['reached']>
      label="Settings are reached"
      value={controller.reached}
      unknown={controller.reached === 'unknown'}
      options={[
        { value: 'display', label: 'by keys of the display', note: 'note how its menu is opened' },
        { value: 'lead', label: 'by a lead into a plug', note: 'its plug is in Wire, the lead in Buy' },
        { value: 'radio', label: 'by radio', note: 'from a telephone' },
        { value: 'unknown', label: 'not said' },
      ]}
      onChange={(reached) => {
        edit((d) => withSection(d, 'controller', { reached }), 'how settings are reached');
      }}
    />
  );
}

function Inputs({ view, sheet }: { view: SetupView; sheet: SettingsSheet }) {
  switch (view) {
    case 'settings':
      return (
        <>
          <FieldGroup title="How it goes">
            <p className="border-b border-hair py-1.5 leading-snug">
              Put each setting in as planned, then read it back from the controller and type what it shows.
              “Not taken” is what was put in rightly and reads otherwise: some controllers drop a value
              without a word.
            </p>
            <Reached document={sheet.document} />
            <TextField
              label="Read with"
              value={sheet.document.settings.readWith}
              max={80}
              placeholder="program or keys, and its version"
              onChange={(readWith) => {
                sheet.change(() => ({ readWith }), 'what settings are read with', 'read with');
              }}
            />
          </FieldGroup>
          <ThrottleSpan sheet={sheet} />
          <StageFindings id="setup" />
          <Caution>
            Settings decide heat, range and class. Save the maker’s own values before the first change; wheel
            off the ground for the first try.
          </Caution>
        </>
      );
    case 'levels':
      return <LevelsInputs sheet={sheet} />;
    case 'speed':
      return <SpeedInputs sheet={sheet} />;
    case 'cutoffs':
      return <CutoffsInputs sheet={sheet} />;
  }
}

function Picture({ view, sheet }: { view: SetupView; sheet: SettingsSheet }) {
  switch (view) {
    case 'settings':
      return (
        <>
          <SettingsTable sheet={sheet} />
          <OtherSettings sheet={sheet} />
        </>
      );
    case 'levels':
      return <LevelsPicture sheet={sheet} />;
    case 'speed':
      return <SpeedPicture sheet={sheet} />;
    case 'cutoffs':
      return <CutoffsPicture sheet={sheet} />;
  }
}

function stampOf(sheet: SettingsSheet): {
  readonly state: State;
  readonly word: string;
  readonly under: string;
} {
  const { asked, same, wrong, notTaken, amiss } = settingCounts(sheet.rows, sheet.verdict.otherSettings.rows);
  const ratio = ratioOf(sheet);
  const under = `${String(same)} of ${String(asked)} settings are as planned`;
  return firstOf(
    [
      [
        wrong > 0,
        {
          state: 'stop',
          word: `${String(wrong)} wrong${notTaken > 0 ? `, ${String(notTaken)} not taken` : ''}`,
          under,
        },
      ],
      [
        ratio !== undefined && ratio > 1.03,
        { state: 'stop', word: 'Speed is wrong', under: 'faster than the display says' },
      ],
      [
        amiss > 0,
        { state: 'stop', word: `${String(amiss)} not to be put in`, under: 'the plan is put right first' },
      ],
      [notTaken > 0, { state: 'look', word: `${String(notTaken)} not taken`, under }],
      [same < asked, { state: 'unknown', word: 'Not all read', under }],
    ],
    { state: 'fine', word: 'As planned', under },
  );
}

/** What the controller has to know, what it was told, and what it says it knows. */
export function SetupStage() {
  const sheet = useSettingsSheet();
  const [params] = useSearchParams();
  const view = SETUP_VIEWS.find((v) => v.id === params.get('view'))?.id ?? 'settings';
  return (
    <Stage
      id="setup"
      stamp={stampOf(sheet)}
      views={<ViewLinks label="Views of the settings" views={SETUP_VIEWS} view={view} />}
      inputs={<Inputs view={view} sheet={sheet} />}
      picture={<Picture view={view} sheet={sheet} />}
    />
  );
}
