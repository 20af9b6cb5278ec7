/** A log may be of an element that was taught ahead: it then names no figure. */
export const ELEMENTS_AHEAD = `
  ALTER TABLE class_events DROP CONSTRAINT class_events_sound;
  ALTER TABLE class_events ADD CONSTRAINT class_events_sound CHECK (COALESCE(
    body ->> 'id' = id::text AND body ->> 'by' IS NOT NULL AND body ->> 'at' ~ '^[12][0-9]{3}-'
    AND body ->> 'lesson' IS NOT DISTINCT FROM lesson::text
    AND (kind <> 'mark') = (lesson IS NOT NULL) AND (kind = 'mark') = (check_id IS NOT NULL)
    AND (kind = 'mark' OR (kind = 'log' AND body ->> 'element' IS NULL)) = (pattern_id IS NOT NULL)
    AND (kind IN ('present', 'mark')) = (student_id IS NOT NULL)
    AND (pattern_id IS NULL OR body ->> 'pattern' = pattern_id)
    AND (student_id IS NULL OR body ->> 'student' = student_id)
    AND CASE kind
      WHEN 'log' THEN body ->> 'result' IN ('solid', 'shaky', 'touched', 'not-reached')
      WHEN 'present' THEN jsonb_typeof(body -> 'here') = 'boolean'
      WHEN 'note' THEN body ->> 'kind' IN ('note', 'else', 'song') AND jsonb_typeof(body -> 'text') = 'string'
      WHEN 'mark' THEN body ->> 'mark' IN ('0', '1', '2', '3')
      ELSE false END, false));
`;
