-- Workspaces own everything; a job is one document with the version it was last saved as.
create table workspace (
  id          uuid primary key default gen_random_uuid(),
  slug        text not null constraint workspace_slug_unique unique
              constraint workspace_slug_form check (slug ~ '^[a-z0-9][a-z0-9-]{0,39}$'),
  created_at  timestamptz not null default now(),
  -- The demo jobs are put in once; whoever deletes them does not get them back at the next start.
  demo_seeded_at timestamptz
);

create table job (
  workspace_id uuid not null constraint job_workspace_fk references workspace (id) on delete cascade,
  id           uuid not null default gen_random_uuid(),
  version      integer not null default 1 constraint job_version_positive check (version >= 1),
  document     jsonb not null
               constraint job_document_object check (jsonb_typeof(document) = 'object')
               constraint job_document_format check (document ->> 'format' = 'joulemetric-job')
               constraint job_document_size check (octet_length(document::text) <= 2097152),
  title        text not null generated always as (document ->> 'title') stored
               constraint job_title_length check (char_length(title) between 1 and 120),
  created_at   timestamptz not null default now(),
  updated_at   timestamptz not null default now(),
  constraint job_pk primary key (workspace_id, id)
);

create index job_recent on job (workspace_id, updated_at desc, id);

insert into workspace (slug) values ('demo');
