import { useNavigate } from 'react-router';
import { describeIssue } from '@apple-cart/core';
import { ApiError } from '../state/api.ts';
import { createBuild, takeJobIn } from '../state/builds.ts';
import { problemWords } from '../state/use-attempt.ts';
import { BringInFile } from '../ui/bring-in-file.tsx';

/** Takes a whole job in; gives what is wrong with it. */
async function takeJob(file: File, open: (id: string) => void): Promise<readonly string[]> {
  try {
    open(await takeJobIn(file));
    return [];
  } catch (problem) {
    const issues = problem instanceof ApiError ? problem.issues.map((i) => i.message) : [];
    return issues.length > 0 ? issues : [problemWords(problem, 'It could not be stored.')];
  }
}

/** Brings a build in from a JSON file, or a whole job from its one file; what is wrong with it is said line by line, and nothing is stored. */
export function ImportBuild() {
  const navigate = useNavigate();
  return (
    <BringInFile
      name="file"
      refused="is not a usable build. Nothing was stored."
      accept=".json,application/json,.zip,application/zip"
      onFile={async (file) => {
        if (file.name.toLowerCase().endsWith('.zip'))
          return takeJob(file, (id) => void navigate(`/builds/${id}/brief`));
        // What talks to the worker is fetched with the first file.
        const { readFile } = await import('../work/read-file.ts');
        const build = await readFile('buildFile', file, new AbortController().signal);
        if (!build.ok) return build.issues.map(describeIssue);
        try {
          const stored = await createBuild(build.value);
          void navigate(`/builds/${stored.id}/brief`);
          return [];
        } catch (problem) {
          const issues = problem instanceof ApiError ? problem.issues.map((i) => i.message) : [];
          return issues.length > 0 ? issues : [problemWords(problem, 'It could not be stored.')];
        }
      }}
    />
  );
}
