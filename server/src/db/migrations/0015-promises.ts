/**
 * A recap keeps which figures it says will come next. Those of recaps that there are: the figures of their course that stand
 * by name under "Next week", as the drafts wrote them.
 */
export const PROMISES = `
  ALTER TABLE recaps ADD COLUMN promises jsonb NOT NULL DEFAULT '[]';
  UPDATE recaps r SET promises = COALESCE((
    SELECT jsonb_agg(p.id ORDER BY n)
    FROM sections s
    JOIN courses c ON c.studio_id = s.studio_id AND c.id = s.course_id
    JOIN patterns p ON p.studio_id = s.studio_id
      AND c.body -> 'items' @> jsonb_build_array(jsonb_build_object('pattern', p.id))
    JOIN regexp_split_to_table(split_part(split_part(r.markdown, E'\\n## Next week\\n', 2), E'\\n#', 1), E'\\n')
      WITH ORDINALITY AS next (line, n) ON btrim(line) = '- ' || (p.body ->> 'name')
    WHERE s.studio_id = r.studio_id AND s.id = r.section_id), '[]');
`;
