/* What pages show of the library, as it is kept: the types alone go to browsers. */
export type { OtherShop } from '../../store/library/other-shops';
export type { LikelyTwins } from '../../store/library/same-models';
export type { Imported } from './library';
export type { MovingLook } from './moving-in';
