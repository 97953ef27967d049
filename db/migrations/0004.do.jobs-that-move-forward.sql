-- What a list shows stands beside the document, so that listing opens none; what a document must hold is refused
-- when it is missing too (a check that comes to null passes). What is stored already is not judged: it still opens.
alter table job
  drop constraint job_document_format,
  add constraint job_document_format
    check (coalesce(document ->> 'format' = 'joulemetric-job', false)) not valid,
  add constraint job_document_schema_version
    check (coalesce(jsonb_typeof(document -> 'schemaVersion') = 'number'
                    and document ->> 'schemaVersion' ~ '^[1-9][0-9]{0,5}$', false)) not valid,
  add constraint job_document_title
    check (coalesce(jsonb_typeof(document -> 'title') = 'string', false)) not valid,
  add constraint job_document_parts
    check (coalesce(jsonb_typeof(document -> 'loads') = 'array'
                    and jsonb_typeof(document -> 'brief') = 'object'
                    and jsonb_typeof(document -> 'options') = 'array', false)) not valid,
  add column client text not null
    generated always as (coalesce(document ->> 'client', '')) stored,
  add column vehicle text not null
    generated always as (coalesce(document ->> 'vehicle', '')) stored,
  add column loads integer not null
    generated always as (case when jsonb_typeof(document -> 'loads') = 'array'
                              then jsonb_array_length(document -> 'loads') else 0 end) stored,
  add column schema_version integer not null
    generated always as (case when document ->> 'schemaVersion' ~ '^[1-9][0-9]{0,5}$'
                              then (document ->> 'schemaVersion')::integer else 0 end) stored;

-- A job's version and its document's form only move forward, whoever writes.
create function job_moves_forward() returns trigger language plpgsql as $$
begin
  if new.version < old.version or new.version > old.version + 1 then
    raise exception 'version % does not follow %', new.version, old.version
      using errcode = 'check_violation', constraint = 'job_version_forward';
  end if;
  if (new.document ->> 'schemaVersion')::numeric < (old.document ->> 'schemaVersion')::numeric then
    raise exception 'the document is of an older form than the stored one'
      using errcode = 'check_violation', constraint = 'job_schema_version_forward';
  end if;
  return new;
end
$$;

create trigger job_forward before update on job for each row execute function job_moves_forward();
