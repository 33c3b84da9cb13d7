-- Targets say whether messages leave in bundles, keep-alives which address answers, link sheets whether a slash may be missing.
-- Those from before say that they have none of it. The log too: undo reads it.

create function pg_temp.with_answer(keep jsonb) returns jsonb language sql immutable as $$
  select case when jsonb_typeof(keep) = 'object' then '{"answer": null}'::jsonb || keep else keep end
$$;

create function pg_temp.with_answers(part jsonb) returns jsonb language sql immutable as $$
  select case part -> 'body' ->> 'kind'
    when 'target' then jsonb_set(part, '{body}', '{"bundles": false}'::jsonb || (part -> 'body')
                        || jsonb_build_object('keepAlive', pg_temp.with_answer(part -> 'body' -> 'keepAlive')))
    when 'phrasebook' then jsonb_set(part, '{body,sheet}', '{"bareAddresses": false, "startList": []}'::jsonb || (part -> 'body' -> 'sheet')
                        || jsonb_build_object('keepAlive', pg_temp.with_answer(part -> 'body' -> 'sheet' -> 'keepAlive')))
    else part end
$$;

update target set body = pg_temp.with_answers(jsonb_build_object('body', body)) -> 'body';
update phrasebook set body = pg_temp.with_answers(jsonb_build_object('body', body)) -> 'body';

update edit set changes = (
  select coalesce(jsonb_agg(change || jsonb_build_object('before', pg_temp.with_answers(change -> 'before'),
                                                         'after', pg_temp.with_answers(change -> 'after')) order by place), '[]')
  from jsonb_array_elements(changes) with ordinality as c (change, place));
