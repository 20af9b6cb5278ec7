// The shapes of `mapstep/3`. Ids are `a-z 0-9 -`; dates YYYY-MM-DD; minutes have at most one decimal place.

export const FORMAT = 'mapstep/3' as const;

export type Role = 'lead' | 'follow' | 'solo';
export type Split = 'straight' | 'swung';
export type NaturalPart = 'opposite' | 'image' | 'alike';
export type Contact = 'none' | 'hand' | 'body';
export type Floor = 'line' | 'slot' | 'spot' | 'free' | 'walls';
export type WeightClass = 'takes' | 'none' | 'stays';
export type Foot = 'L' | 'R' | 'B';
export type PatternKind = 'basic' | 'pattern' | 'turn' | 'drill' | 'quality';
export type Strand = 'rhythm' | 'footwork' | 'hold' | 'lead' | 'turn' | 'floor' | 'quality';
export type Approach = 'steps-first' | 'rhythm-first' | 'whole-part-whole' | 'one-change';
export type ItemValue = 'must' | 'should' | 'could';
export type Layer = 'steps' | 'timing' | 'partner' | 'technique' | 'tempo';
export type LogResult = 'solid' | 'shaky' | 'touched' | 'not-reached';
export type Audience = 'students' | 'staff';
/** A number of beats as written: whole, or a fraction such as `"1/2"`. */
export type BeatsText = number | string;

export interface TempoRange {
  readonly min: number;
  readonly max: number;
}

export interface Studio {
  readonly name: string;
  readonly timezone: string;
  readonly roles?: { readonly lead: string; readonly follow: string };
  readonly counting?: 'numbers' | 'numbered' | 'slow-quick' | 'words' | 'call';
  readonly cautions?: { readonly [code: string]: string };
}

export type BodyPart = 'left-hand' | 'right-hand' | 'back' | 'waist' | 'shoulder' | 'upper-arm' | 'neck';

/** What of the leader touches what of the follower. */
export interface Touch {
  readonly lead: BodyPart;
  readonly follow: BodyPart;
  readonly height?: 'low' | 'middle' | 'high';
}

/** Where the follower's middle may be in the leader's frame: metres ahead and to the left, from and to. */
export interface HoldPlace {
  readonly ahead: readonly [number, number];
  readonly side: readonly [number, number];
}

export interface Hold {
  readonly id: string;
  readonly name: string;
  readonly contact: Contact;
  /** The follower's facing less the leader's, in degrees. */
  readonly rel?: number;
  /** The same hold in another dance: learned once. */
  readonly like?: string;
  /** As `contact` has it when left out. */
  readonly touch?: readonly Touch[];
  /** As `contact` has it when left out. */
  readonly place?: HoldPlace;
}

export type QualityLayer = 'feet' | 'knees' | 'hips' | 'body' | 'arms' | 'head' | 'show';

/** How something is danced, not what: rise and fall, which part of the foot, where the head looks. */
export interface Quality {
  readonly id: string;
  readonly name: string;
  readonly layer: QualityLayer;
  readonly words?: readonly string[];
}

export interface Dance {
  readonly id: string;
  readonly name: string;
  readonly roles: 'pair' | 'solo';
  readonly beatsPerBar: number;
  readonly countCycle: number;
  /** The school whose counts are the house's, of those that its figures are counted by besides their own. */
  readonly school?: string;
  readonly slow: BeatsText;
  readonly quick: BeatsText;
  readonly split: Split;
  readonly phrase: number;
  readonly tempo: readonly TempoRange[];
  readonly floor: Floor;
  readonly holds: readonly Hold[];
  readonly qualities?: readonly Quality[];
  readonly actions?: readonly { readonly id: string; readonly weight: WeightClass }[];
  readonly pieces?: readonly {
    readonly id: string;
    readonly name: string;
    readonly rhythm: string;
    readonly steps: string;
  }[];
  readonly stepLengths?: { readonly [action: string]: number };
}

export interface Level {
  readonly id: string;
  readonly dance: string;
  readonly name: string;
  readonly order: number;
  /** The shortest step a class of this level can do, in milliseconds; 250 when left out. */
  readonly shortest?: number;
}

export interface PatternMark {
  readonly event?: number;
  readonly role?: Role;
  /** `hold`: how the hands go where the hold changes. */
  readonly kind: 'cue' | 'signal' | 'fault' | 'caution' | 'hold';
  readonly text: string;
  readonly code?: string;
  readonly cure?: string;
  readonly rescue?: string;
}

export interface HoldAt {
  readonly event: number;
  readonly hold: string;
}

/** Where a figure may be cut: before an event, in a hold; one who dances alone has none. */
export interface CutAt {
  readonly event: number;
  readonly hold?: string;
}

/** A quality over a figure: one short text for each event, of a role or of both. */
export interface QualityTrack {
  readonly quality: string;
  readonly role?: Role;
  readonly values: readonly (string | null)[];
}

/** A piece of a figure: a whole figure or events `from` to `to` of it, so many times. */
export interface MadePiece {
  readonly pattern: string;
  readonly times?: number;
  readonly from?: number;
  readonly to?: number;
  readonly side?: 'other' | 'mirrored';
  /** What is danced instead of the last one. */
  readonly last?: string;
}

export type Parts = { readonly lead: string; readonly follow: string } | { readonly solo: string };
export type RhythmText = string | { readonly lead: string; readonly follow: string };

export interface Pattern {
  readonly id: string;
  readonly dance: string;
  readonly name: string;
  readonly aliases?: readonly { readonly name: string; readonly school: string }[];
  readonly kind: PatternKind;
  readonly level?: string;
  readonly rhythm?: RhythmText;
  readonly beats?: BeatsText;
  readonly split?: Split;
  /** A count cycle of its own. */
  readonly cycle?: number;
  /** The same events as another school counts them. */
  readonly otherCounts?: readonly {
    readonly school: string;
    readonly rhythm: string;
    readonly beats?: BeatsText;
  }[];
  readonly call?: readonly (string | null)[];
  readonly parts?: Parts;
  readonly entry?: readonly string[];
  readonly exit?: string | readonly string[];
  readonly holds?: readonly HoldAt[];
  readonly align?: readonly number[];
  readonly turn?: number;
  readonly cuts?: readonly CutAt[];
  readonly tempo?: readonly TempoRange[];
  readonly needs?: readonly string[];
  readonly lookalikes?: readonly string[];
  readonly variantOf?: string;
  readonly variantWhy?: 'easier' | 'harder' | 'ending' | 'tempo' | 'school';
  readonly rank?: number;
  readonly made?: readonly MadePiece[];
  readonly over?: string;
  readonly claps?: string;
  readonly grades?: readonly string[];
  readonly tracks?: readonly QualityTrack[];
  readonly elements?: readonly string[];
  readonly minutes?: number;
  readonly overTwoLessons?: boolean;
  /** The director's word on how hard it is, against what is computed. */
  readonly difficulty?: { readonly points: number; readonly why: string };
  /** Kept for what was taught, and no longer offered. */
  readonly retired?: boolean;
  readonly marks?: readonly PatternMark[];
}

export interface Element {
  readonly id: string;
  readonly dance?: string;
  readonly name: string;
  readonly strand: Strand;
  readonly minutes: number;
}

/** How a combination begins: the free feet, the follower's the other of the leader's unless said, and degrees to the left. */
export interface CombinationStart {
  /** Nobody who dances alone has one. */
  readonly hold?: string;
  readonly lead?: Foot;
  readonly follow?: Foot;
  readonly solo?: Foot;
  readonly facing?: number;
}

export interface Combination {
  readonly id: string;
  readonly name: string;
  readonly dance: string;
  /** The course, and its lesson, in which it is danced. */
  readonly course?: string;
  readonly lesson?: number;
  readonly start: CombinationStart;
  readonly steps: readonly (
    | { readonly pattern: string; readonly times?: number; readonly last?: string; readonly note?: string }
    | { readonly oneOf: readonly (string | null)[] }
  )[];
  readonly end: 'same' | 'opposite' | 'free';
}

/** Minutes of the blocks that every lesson of the course keeps. */
export interface FixedBlocks {
  readonly arrive: number;
  readonly warmUp?: number;
  readonly recall?: number;
  readonly combine: number;
  readonly dance: number;
  readonly check?: number;
  readonly recap: number;
}

export interface CourseLesson {
  readonly minutes: number;
  readonly dance?: string;
  readonly swap?: boolean;
  /** Figures that get a second look this evening. */
  readonly again?: readonly string[];
  readonly fixed: FixedBlocks;
}

export interface CourseItem {
  readonly pattern: string;
  readonly value: ItemValue;
  readonly pin?: number;
  readonly from?: number;
  readonly to?: number;
  readonly gate?: boolean;
  readonly layers?: readonly Layer[];
}

export interface Placement {
  readonly pattern: string;
  readonly lesson: number;
}

export interface CostWeights {
  readonly must: number;
  readonly should: number;
  readonly could: number;
  readonly level: number;
  readonly largest: number;
  readonly lookalike: number;
  readonly mix: number;
  readonly order: number;
  readonly stuck: number;
  readonly ahead: number;
  readonly moved: number;
}

export interface Course {
  readonly id: string;
  readonly dances: readonly string[];
  readonly level?: string;
  readonly name: string;
  readonly format: 'series' | 'open';
  readonly approach: Approach;
  readonly lookalikes: 'apart' | 'together';
  /** Elements of three minutes or more may be taught a lesson before their first figure. */
  readonly ahead?: boolean;
  /** A review takes half its minutes where another figure of the evening contains it. */
  readonly along?: boolean;
  readonly goal?: 'social' | 'show' | 'examination';
  readonly weights?: Partial<CostWeights>;
  readonly roles?: 'one' | 'both';
  readonly lessons: readonly CourseLesson[];
  readonly items: readonly CourseItem[];
  readonly placed?: readonly Placement[];
  /** The elements that the plan teaches ahead. */
  readonly placedAhead?: readonly string[];
}

export interface Room {
  readonly id: string;
  readonly name: string;
  readonly length: number;
  readonly width: number;
}

export interface Holiday {
  readonly from: string;
  readonly to: string;
  readonly name: string;
}

export interface Person {
  readonly id: string;
  readonly name: string;
  readonly role: 'director' | 'teacher' | 'assistant' | 'stand-in';
}

export interface Student {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
}

export interface Section {
  readonly id: string;
  readonly course: string;
  readonly room?: string;
  readonly start: string;
  readonly dates: readonly string[];
  readonly cancelled?: readonly { readonly date: string; readonly why: string }[];
  readonly staff: readonly {
    readonly person: string;
    readonly from?: string;
    readonly to?: string;
    readonly rights?: string;
  }[];
  readonly students: readonly {
    readonly student: string;
    readonly role: Role;
    readonly from?: string;
    readonly to?: string;
  }[];
}

export interface PlanVersion {
  readonly course: string;
  readonly name: string;
  readonly by: string;
  readonly at: string;
  readonly note?: string;
  readonly published?: boolean;
  /** The rules of the items as they were then. */
  readonly items?: readonly CourseItem[];
  readonly placed: readonly Placement[];
  /** The elements that it teaches ahead. */
  readonly ahead?: readonly string[];
  readonly left: readonly string[];
}

interface Logged {
  readonly id: string;
  readonly section: string;
  readonly lesson: number;
  readonly result: LogResult;
  readonly minutes?: number;
  readonly note?: string;
  readonly by: string;
  readonly at: string;
  readonly replaces?: string;
}

/** How a figure went in an evening. */
export interface FigureLog extends Logged {
  readonly pattern: string;
  readonly element?: never;
}

/** How an element went that was taught ahead of its figures. */
export interface ElementLog extends Logged {
  readonly element: string;
  readonly pattern?: never;
}

export type Log = FigureLog | ElementLog;

/** Something of an evening besides its figures; an empty text takes back what it replaces. */
export interface LessonNote {
  readonly id: string;
  readonly section: string;
  readonly lesson: number;
  /** What was noted, something else that was done, a song that was played. */
  readonly kind: 'note' | 'else' | 'song';
  readonly text: string;
  /** Of a song, in beats a minute. */
  readonly tempo?: number;
  readonly split?: Split;
  readonly by: string;
  readonly at: string;
  readonly replaces?: string;
}

export interface Attendance {
  readonly id: string;
  readonly section: string;
  readonly lesson: number;
  readonly student: string;
  readonly role: Role;
  readonly here: boolean;
  /** Came after the beginning. */
  readonly late?: boolean;
  readonly by: string;
  readonly at: string;
  /** The newest entry on this student that its writer had seen. */
  readonly replaces?: string;
}

export interface Recap {
  readonly section: string;
  readonly lesson: number;
  readonly audience: Audience;
  readonly markdown: string;
  /** Figures that it says will come next. */
  readonly promises?: readonly string[];
  readonly published?: string;
  readonly corrects?: string;
}

export interface Mark {
  readonly id: string;
  readonly student: string;
  readonly role: Role;
  readonly pattern: string;
  readonly layer: Layer;
  readonly mark: 0 | 1 | 2 | 3;
  /** The student who danced with this one. */
  readonly with?: string;
  /** The quality that the mark is about. */
  readonly quality?: string;
  readonly remark?: string;
  /** Another marker is asked to look at it too. */
  readonly lookAgain?: boolean;
  readonly by: string;
  readonly at: string;
}

export interface Check {
  readonly id: string;
  readonly section: string;
  readonly kind: 'half-way' | 'final';
  readonly date: string;
  readonly items: readonly {
    readonly pattern: string;
    readonly layers: readonly Layer[];
    readonly gate: boolean;
  }[];
  readonly marks: readonly Mark[];
}

export type Json = null | boolean | number | string | readonly Json[] | { readonly [key: string]: Json };

export interface StudioDocument {
  readonly format: typeof FORMAT;
  readonly studio: Studio;
  readonly dances?: readonly Dance[];
  readonly levels?: readonly Level[];
  readonly patterns?: readonly Pattern[];
  readonly elements?: readonly Element[];
  readonly combinations?: readonly Combination[];
  readonly courses?: readonly Course[];
  readonly rooms?: readonly Room[];
  readonly holidays?: readonly Holiday[];
  readonly people?: readonly Person[];
  readonly students?: readonly Student[];
  readonly sections?: readonly Section[];
  readonly plans?: readonly PlanVersion[];
  readonly logs?: readonly Log[];
  readonly attendance?: readonly Attendance[];
  readonly notes?: readonly LessonNote[];
  readonly recaps?: readonly Recap[];
  readonly checks?: readonly Check[];
  readonly settings?: { readonly [key: string]: Json };
  readonly mappings?: { readonly [key: string]: Json };
  readonly ext?: { readonly [key: string]: Json };
}
