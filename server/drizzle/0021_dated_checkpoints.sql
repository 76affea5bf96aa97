-- A checkpoint that the coach sets carries its moment, so that sets logged before and after it can be told apart.
-- Those stored until now were set, as far as is known, when the drills were chosen.
UPDATE drill_choices SET layers = (
  SELECT json_group_object(key, json_object('layer', value, 'at', drill_choices.at)) FROM json_each(drill_choices.layers)
) WHERE layers <> '{}';--> statement-breakpoint
UPDATE summaries SET stale = 1;
--> statement-breakpoint
-- "Pain now" among the intake answers pauses the drills; until now it paused nothing.
INSERT INTO holds (id, student_id, where_it_hurts, at, lifted_at, lift_note)
SELECT
  lower(hex(randomblob(4)) || '-' || hex(randomblob(2)) || '-4' || substr(hex(randomblob(2)), 2) || '-8' || substr(hex(randomblob(2)), 2) || '-' || hex(randomblob(6))),
  id, coalesce(json_extract(profile, '$.safety.painWhere'), ''), strftime('%Y-%m-%dT%H:%M:%fZ', 'now'), NULL, ''
FROM students
WHERE json_extract(profile, '$.safety.painNow') = 1
  AND NOT EXISTS (SELECT 1 FROM holds WHERE holds.student_id = students.id AND lifted_at IS NULL);
