import { PointerSensor, type PointerSensorProps } from '@dnd-kit/core';
import { flushSync } from 'react-dom';

/**
 * Drags by a pointer, each step drawn before the next is heard: where a figure is let go is read from what was drawn
 * last, and a flick on a busy machine would otherwise end before its start was drawn, and be lost.
 */
export class PromptSensor extends PointerSensor {
  constructor(props: PointerSensorProps) {
    super({
      ...props,
      onStart: at => flushSync(() => props.onStart(at)),
      onMove: at => flushSync(() => props.onMove(at)),
    });
  }
}
