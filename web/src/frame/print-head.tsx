import { useDocument } from '../state/build-store.ts';
import { verdictOf } from '../state/verdicts.ts';
import { useSettings } from '../state/settings-store.ts';
import { figureText } from '../state/figure-text.ts';

/** Only on paper: which build it is, and the figures of the tray. */
export function PrintHead() {
  const document = useDocument();
  const system = useSettings((state) => state.units);
  const { figures } = verdictOf(document);
  return (
    <div className="hidden print:block">
      <p className="flex items-baseline justify-between border-b-2 border-ink pb-1">
        <b className="head text-[20px]">{document.name}</b>
        <span className="num text-[12px]">{document.job === '' ? '' : `Job ${document.job}`}</span>
      </p>
      <table className="my-2 w-full text-[12px]">
        <tbody>
          <tr>
            {figures.map((figure) => {
              const { value, unit, condition } = figureText(figure, system);
              return (
                <td key={figure.id} className="border-r border-rule px-1.5 align-top last:border-r-0">
                  {figure.label}
                  <b className="block text-[14px]">
                    {value} {unit}
                  </b>
                  {condition}
                </td>
              );
            })}
          </tr>
        </tbody>
      </table>
    </div>
  );
}
