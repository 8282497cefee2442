/** Styles of donor that have a preset frame. */
export const FRAME_STYLES = [
  'diamond',
  'step-through',
  'small-wheel',
  'folding',
  'fat',
  'full-suspension',
  'recumbent',
  'tandem',
  'longtail',
  'trike',
  'carriage',
] as const;
export type FrameStyle = (typeof FRAME_STYLES)[number];

/** Points of a frame that a builder can move. Axles and bracket follow from entered measures instead. */
export const POINT_NAMES = [
  'seatTop',
  'topRear',
  'topLow',
  'topFront',
  'downFront',
  'downLow',
  'headTop',
  'headLow',
  'crown',
  'saddle',
  'captainBracket',
  'captainTop',
  'captainSaddle',
  'deckRear',
  'deckFront',
  'boxRear',
  'boxFront',
  'railRear',
  'railFront',
  'seatFoot',
  'seatBack',
  'pivot',
  'shockTop',
  'shockLow',
  'rider',
  'load',
  'bare',
] as const;
export type PointName = (typeof POINT_NAMES)[number];

/** Names of all points: the movable ones and those that follow from measures. */
export type AnyPoint = PointName | 'rear' | 'front' | 'bracket';

/** Tubes by what a frame builder calls them. */
export type TubeName =
  | 'seat tube'
  | 'top tube'
  | 'down tube'
  | 'main tube'
  | 'head tube'
  | 'chainstay'
  | 'seatstay'
  | 'fork'
  | 'boom tube'
  | 'deck'
  | 'deck strut'
  | 'rail'
  | 'lateral tube'
  | 'seat frame'
  | 'seat post'
  | 'shock'
  | 'rocker'
  | 'steering column';

/** Where a pack can go. */
export const PACK_PLACES = [
  'down-tube',
  'seat-tube',
  'behind-seat-tube',
  'lateral-tube',
  'main-tube',
  'rear-rack',
  'deck',
  'cargo-box',
  'behind-seat',
  'free',
] as const;
export type PackPlace = (typeof PACK_PLACES)[number];
