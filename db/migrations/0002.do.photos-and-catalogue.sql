-- Photos of labels, re-encoded before they are stored; the job's document says which load each belongs to.
create table label_photo (
  workspace_id uuid not null,
  job_id       uuid not null,
  id           uuid not null default gen_random_uuid(),
  width        integer not null constraint label_photo_width check (width between 1 and 4096),
  height       integer not null constraint label_photo_height check (height between 1 and 4096),
  jpeg         bytea not null constraint label_photo_size check (octet_length(jpeg) between 1 and 1048576),
  created_at   timestamptz not null default now(),
  constraint label_photo_pk primary key (workspace_id, job_id, id),
  constraint label_photo_job_fk foreign key (workspace_id, job_id) references job (workspace_id, id) on delete cascade
);

-- The firm's own appliances, as measured: they rank before the generic types.
create table appliance (
  workspace_id uuid not null constraint appliance_workspace_fk references workspace (id) on delete cascade,
  id           uuid not null default gen_random_uuid(),
  document     jsonb not null
               constraint appliance_document_object check (jsonb_typeof(document) = 'object')
               constraint appliance_document_size check (octet_length(document::text) <= 65536),
  name         text not null generated always as (document ->> 'name') stored
               constraint appliance_name_length check (char_length(name) between 1 and 120),
  created_at   timestamptz not null default now(),
  constraint appliance_pk primary key (workspace_id, id)
);

create index appliance_by_name on appliance (workspace_id, name, id);
