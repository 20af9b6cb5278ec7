/** What a test reads of a package that has no types: another reader of the format than the one that writes it. */
declare module 'midifile' {
  export default class MIDIFile {
    constructor(bytes: ArrayBuffer);
    readonly header: { getTicksPerBeat(): number; getFormat(): number; getTracksCount(): number };
    getTrackEvents(track: number): readonly {
      readonly delta: number;
      readonly type: number;
      readonly subtype: number;
      readonly param1?: number;
      readonly tempo?: number;
      readonly data?: readonly number[];
    }[];
  }
}
