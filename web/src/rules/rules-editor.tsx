import { useEffect, useState } from 'react';
import { useForm } from 'react-hook-form';
import {
  REGIONS,
  describeIssue,
  jsonText,
  readRules,
  readRulesText,
  type Issue,
  type PlaceRules,
} from '@apple-cart/core';
import type { ListedRules } from '@apple-cart/contracts';
import { SendingNotes } from '../frame/sending-notes.tsx';
import { TypedNotes } from '../frame/typed-notes.tsx';
import { VersionsDialog } from '../frame/versions-dialog.tsx';
import { api } from '../state/api.ts';
import { rulesSender, rulesTyped } from '../state/rules-sender.ts';
import { useTyped } from '../state/use-typed.ts';
import { ChoiceRow } from '../ride/choice-row.tsx';
import { Button } from '../ui/button.tsx';
import { CategoryFields } from './category-fields.tsx';
import { Block, ChoiceLine, NumberCell, DateLine, TextLine } from './form-parts.tsx';
import { otherwiseAt, questionAt, type RulesPath } from './paths.ts';
import { formShaped, withoutEmpty } from './new-rules.ts';
import { rulesFile } from './rules-file.ts';

const REGION_OPTIONS = REGIONS.map((r) => [r, r] as const);
const textOf = (rules: unknown): string => JSON.stringify(rules, null, 2);

/** What was typed before, as a form or as text. */
function typedFrom(value: unknown): { readonly values?: PlaceRules; readonly text?: string } | undefined {
  const { values, text } = (value ?? {}) as { values?: unknown; text?: unknown };
  if (typeof text === 'string') return { text };
  return formShaped(values) ? { values } : undefined;
}

function Issues({ issues }: { issues: readonly Issue[] }) {
  if (issues.length === 0) return null;
  return (
    <div
      role="alert"
      className="my-2 border-[1.5px] border-stop bg-stop-tint px-4 py-2"
      data-testid="rule-issues"
    >
      <b>Not kept: the rules that were in force stay in force.</b>
      <ul className="list-disc pl-5">
        {issues.slice(0, 20).map((issue) => (
          <li key={issue.path + issue.limit}>{describeIssue(issue)}</li>
        ))}
      </ul>
    </div>
  );
}

/** The rules of a place as a form or as text; kept only when they validate, and nothing typed is lost. */
export function RulesEditor({ listed }: { listed: ListedRules }) {
  const { document: rules, version, origin } = listed;
  const typed = useTyped(rulesTyped, rules.id);
  const [brought] = useState(() => typedFrom(typed.before));
  const form = useForm<PlaceRules>({ defaultValues: brought?.values ?? rules });
  const [view, setView] = useState<'form' | 'text'>(brought?.text === undefined ? 'form' : 'text');
  const [text, setText] = useState(brought?.text ?? '');
  const [held, setHeld] = useState(true);
  const [versions, setVersions] = useState(false);
  const [issues, setIssues] = useState<readonly Issue[]>([]);
  const [words, setWords] = useState('');

  useEffect(
    () =>
      form.subscribe({
        formState: { values: true, isDirty: true },
        callback: ({ values, isDirty }) => {
          if (isDirty === true) setHeld(rulesTyped.keep(rules.id, { values }));
        },
      }),
    [form, rules.id],
  );

  const keep = async (read: ReturnType<typeof readRules>): Promise<void> => {
    form.clearErrors();
    setWords('');
    if (!read.ok) {
      setIssues(read.issues);
      for (const issue of read.issues)
        form.setError(issue.path as RulesPath, { message: describeIssue(issue).replace(/^[^:]*: /, '') });
      return;
    }
    setIssues([]);
    const { saveState, refusal } = await rulesSender.send(rules.id, version, read.value);
    if (saveState === 'refused') {
      // It stays in the form, where it can be mended.
      rulesSender.drop(rules.id);
      const limit = refusal ?? 'something the server takes';
      setIssues([{ code: 'text', path: '', actual: 'these rules', limit }]);
      return;
    }
    typed.keep(undefined);
    form.reset(read.value);
    setWords(
      saveState === 'saved'
        ? 'Kept: builds are judged by it from now on.'
        : 'On its way: what stands in the way is said below.',
    );
  };
  const submit = (): void => {
    void keep(view === 'text' ? readRulesText(text) : readRules(withoutEmpty(form.getValues())));
  };
  const show = (next: 'form' | 'text'): void => {
    if (next === 'text') setText(textOf(withoutEmpty(form.getValues())));
    else {
      const read = jsonText(text);
      if (!read.ok || !formShaped(read.value)) {
        // The text stays in view: what is broken cannot be shown as a form.
        const rulesRead = readRulesText(text);
        if (!rulesRead.ok) setIssues(rulesRead.issues);
        return;
      }
      form.reset(read.value, { keepDefaultValues: true });
      setIssues([]);
    }
    setView(next);
  };
  const tests = form.getValues('tests');
  return (
    <>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 pb-2">
        <ChoiceRow
          label="Change it as"
          value={view}
          options={[
            { value: 'form', label: 'a form' },
            { value: 'text', label: 'text (JSON)' },
          ]}
          onChange={show}
        />
        <span className="ml-auto flex flex-wrap items-center gap-2">
          {words !== '' && (
            <span role="status" className="text-[13px] text-ink2">
              {words}
            </span>
          )}
          <Button
            kind="quiet"
            onClick={() => {
              rulesFile(rules);
            }}
          >
            Save as a file
          </Button>
          <Button
            kind="quiet"
            onClick={() => {
              form.reset(rules);
              setText(textOf(rules));
              typed.keep(undefined);
              setIssues([]);
              setWords('As it is in force.');
            }}
          >
            Drop changes
          </Button>
          {version > 0 && (
            <Button
              kind="quiet"
              onClick={() => {
                setVersions(true);
              }}
            >
              Versions
            </Button>
          )}
          <Button kind="go" onClick={submit}>
            {origin === 'shipped' ? 'Keep my correction' : 'Keep'}
          </Button>
        </span>
      </div>
      <SendingNotes sender={rulesSender} word="place’s rules" />
      <TypedNotes
        of={typed}
        held={held}
        onBring={({ value }) => {
          const left = typedFrom(value);
          if (left?.values !== undefined) form.reset(left.values, { keepDefaultValues: true });
          if (left?.text !== undefined) setText(left.text);
          setView(left?.text === undefined ? 'form' : 'text');
          setHeld(typed.keep(value));
        }}
      />
      {versions && (
        <VersionsDialog
          api={api.rules}
          id={rules.id}
          onTake={(kept) => {
            form.reset(kept, { keepDefaultValues: true });
            setText(textOf(kept));
            setHeld(typed.keep({ values: kept }));
          }}
          onClose={() => {
            setVersions(false);
          }}
        />
      )}
      <Issues issues={issues} />
      {view === 'text' ? (
        <label className="block">
          <span className="sr-only">Rules as JSON</span>
          <textarea
            className="h-[62vh] font-[monospace] w-full border-[1.5px] border-ink bg-field p-3 text-[13px] leading-snug"
            spellCheck={false}
            value={text}
            data-testid="rules-text"
            onChange={(event) => {
              setText(event.target.value);
              setHeld(typed.keep({ text: event.target.value }));
            }}
          />
        </label>
      ) : (
        <form
          onSubmit={(event) => {
            event.preventDefault();
            submit();
          }}
          noValidate
        >
          <section className="border-2 border-ink bg-sheet px-3 pb-3">
            <Block title="The place">
              <TextLine form={form} path="name" label="Name" />
              <TextLine form={form} path="shortName" label="Short name" />
              <ChoiceLine form={form} path="region" label="Region" options={REGION_OPTIONS} />
              <div className="grid min-h-[34px] items-center gap-x-3 border-b border-hair py-0.5 tablet:grid-cols-[150px_90px]">
                <span className="text-[13.5px]">Read in</span>
                <NumberCell form={form} path="readYear" label="Read in" />
              </div>
              <DateLine form={form} path="readOn" label="Looked at on" />
              <TextLine form={form} path="provenance" label="Where it is from" />
              <TextLine form={form} path="intro" label="To know before" long />
              <TextLine form={form} path="changing" label="What is changing" long />
            </Block>
          </section>
          {tests.map((test, t) => (
            <div key={test.id}>
              {tests.length > 1 && <TextLine form={form} path={questionAt(t)} label="Question" />}
              {test.categories.map((category, c) => (
                <CategoryFields key={category.id} form={form} test={t} category={c} />
              ))}
              <section className="mt-3 border-2 border-ink bg-sheet px-3 pb-3">
                <Block title="If it is in none of these classes">
                  <TextLine form={form} path={`${otherwiseAt(t)}.name`} label="It is" />
                  <TextLine form={form} path={`${otherwiseAt(t)}.shortName`} label="Short name" />
                  <TextLine form={form} path={`${otherwiseAt(t)}.note`} label="Note" />
                </Block>
              </section>
            </div>
          ))}
          <p className="py-2 text-[12.5px] text-ink2">
            Labels, what is left free, allowed wheel numbers, corners of curves and other places that count
            too are changed as text.
          </p>
        </form>
      )}
    </>
  );
}
