import {
  partsOfPort,
  pinoutOf,
  withPinout,
  type Part,
  PLUG_SEXES,
  PLUG_SHAPES,
  type Port,
  type Wire,
} from '@apple-cart/core';
import { useState } from 'react';
import { ChoiceField, CHOICE_ROW } from '../../fields/choice-field.tsx';
import { FieldGroup } from '../../fields/field-group.tsx';
import { TextField } from '../../fields/text-field.tsx';
import { takePartsIn, useParts } from '../../state/shelf.ts';
import { Button } from '../../ui/button.tsx';
import { Menu, MenuItem } from '../../ui/menu.tsx';
import { Caution } from '../../ui/caution.tsx';
import { NumberCell } from '../../ui/number-cell.tsx';
import { TextButton } from '../../ui/text-button.tsx';
import { CableList } from './cable-list.tsx';
import { pinsToSay, type WiringData } from './use-wiring.ts';
import { PlugFaces } from './plug-faces.tsx';
import { SEX_NAMES, SHAPE_NAMES, nameOf, usePort } from './use-port.ts';

/** The library of pinouts is the shelf: a half that was found is kept with its part, and offered to the next build. */
function Library({ data, port }: { data: WiringData; port: Port }) {
  const set = usePort(data);
  const parts = partsOfPort(useParts(), port.key);
  const [said, setSaid] = useState('');
  const kept = parts.filter((p) => pinoutOf(p, port.key) !== undefined);
  if (parts.length === 0) return null;
  const keep = (part: Part): void => {
    takePartsIn([withPinout(part, port.key, port.said)]).then(
      () => {
        setSaid(`Kept with ${part.name}.`);
      },
      (problem: unknown) => {
        setSaid(problem instanceof Error ? problem.message : 'It could not be kept.');
      },
    );
  };
  return (
    <p className="flex flex-wrap items-center gap-2 border-b border-hair py-1">
      {kept.length > 0 && (
        <Menu trigger={<Button kind="quiet">Pinout from the shelf</Button>}>
          {kept.map((part) => (
            <MenuItem
              key={part.id}
              onSelect={() => {
                const half = pinoutOf(part, port.key);
                if (half !== undefined) set(port, half, 'pinout from the shelf');
              }}
            >
              {part.name}
            </MenuItem>
          ))}
        </Menu>
      )}
      {port.seen && (
        <Menu trigger={<Button kind="quiet">Keep this pinout</Button>}>
          {parts.map((part) => (
            <MenuItem
              key={part.id}
              onSelect={() => {
                keep(part);
              }}
            >
              with {part.name}
            </MenuItem>
          ))}
        </Menu>
      )}
      <span role="status" className="text-[12.5px] text-ink2">
        {said}
      </span>
    </p>
  );
}

/** One half: its family, its kind of contact, its own cable. */
function Half({ data, port, title }: { data: WiringData; port: Port; title: string }) {
  const current = data.wire !== undefined && data.wire.cable.kind !== 'signal';
  const set = usePort(data);
  return (
    <FieldGroup title={title} note={port.seen ? undefined : 'as is usual: nobody has looked'}>
      <TextField
        label="Plug"
        value={port.plug}
        max={40}
        onChange={(plug) => {
          set(port, { plug }, 'plug', `${port.key} plug`);
        }}
      />
      <ChoiceField
        label="Contacts"
        value={port.sex}
        unknown={port.sex === 'unknown'}
        options={PLUG_SEXES.map((value) => ({ value, label: SEX_NAMES[value] }))}
        onChange={(sex) => {
          set(port, { sex }, 'contacts');
        }}
      />
      <div className={CHOICE_ROW}>
        <span className="py-0.5 pr-2 leading-[1.15]">
          Its own cable <span className="text-[12.5px] text-ink3">mm</span>
        </span>
        <NumberCell
          label={`Length of its own cable: ${title}`}
          value={port.tailMm}
          most={20_000}
          onChange={(tailMm) => {
            set(port, { tailMm }, 'length', `${port.key} tail`);
          }}
        />
      </div>
      {current && (
        <div className={CHOICE_ROW}>
          <span className="py-0.5 pr-2 leading-[1.15]">
            Conductor of its own cable <span className="text-[12.5px] text-ink3">mm²</span>
          </span>
          <NumberCell
            label={`Conductor of its own cable: ${title}`}
            value={port.tailMm2}
            most={120}
            onChange={(tailMm2) => {
              if (tailMm2 !== null && tailMm2 < 0.03) return;
              set(port, { tailMm2 }, 'conductor', `${port.key} tail mm2`);
            }}
          />
        </div>
      )}
      <Library data={data} port={port} />
      <p className="flex gap-1 py-1">
        <TextButton
          disabled={port.pins.length >= 16}
          onClick={() => {
            set(port, { pins: [...pinsToSay(port), { work: 'unknown', colour: '' }] }, 'pin');
          }}
        >
          One pin more
        </TextButton>
        <TextButton
          disabled={port.pins.length <= 1}
          onClick={() => {
            set(port, { pins: pinsToSay(port).slice(0, -1) }, 'pin');
          }}
        >
          One less
        </TextButton>
      </p>
    </FieldGroup>
  );
}

/** Both open faces of the pair in hand, and how the contacts lie in them. */
function Faces({ data, wire }: { data: WiringData; wire: Wire }) {
  const { from, to } = wire.cable;
  const shape = from.said.shape === 'unknown' ? to.said.shape : from.said.shape;
  return (
    <FieldGroup
      title={`P${String(wire.cable.number)}, as it is seen`}
      note={`into the open plug, ${shape === 'ring' ? 'notch' : 'latch'} up`}
    >
      <PlugFaces
        wire={wire}
        names={[
          `${nameOf(data, wire.cable.fromComponent)}, ${SEX_NAMES[from.sex]}`,
          `${nameOf(data, wire.cable.toComponent)}, ${SEX_NAMES[to.sex]}`,
        ]}
      />
      <ChoiceField
        label="Contacts lie"
        value={shape}
        unknown={shape === 'unknown'}
        options={PLUG_SHAPES.map((value) => ({ value, label: SHAPE_NAMES[value] }))}
        onChange={(next) => {
          data.change(
            (now) => ({
              ports: {
                ...now.ports,
                [from.key]: { ...from.said, shape: next },
                [to.key]: { ...to.said, shape: next },
              },
            }),
            'face',
          );
        }}
      />
      <p className="py-1 text-[12.5px] text-ink2">
        {shape === 'unknown' ? 'Drawn as so many usually lie. ' : ''}Numbers are those of the table, not of a
        maker: the pins are the mirror image of the sockets.
      </p>
    </FieldGroup>
  );
}

export function PinsInputs({ data }: { data: WiringData }) {
  const { wire } = data;
  return (
    <>
      <CableList {...data} />
      {wire !== undefined && (
        <>
          <Faces data={data} wire={wire} />
          <Half
            data={data}
            port={wire.cable.from}
            title={`${nameOf(data, wire.cable.fromComponent)}’s half`}
          />
          <Half data={data} port={wire.cable.to} title={`${nameOf(data, wire.cable.toComponent)}’s half`} />
        </>
      )}
      <Caution>
        Battery out before a plug is parted or joined; joined plugs are metered from behind, at the wire. The
        maker’s pin list decides.
      </Caution>
    </>
  );
}
