-- The firm's own parts, beside the generic ones that ship: what is chosen is copied into the job.
create table part (
  workspace_id uuid not null constraint part_workspace_fk references workspace (id) on delete cascade,
  id           uuid not null default gen_random_uuid(),
  document     jsonb not null
               constraint part_document_object check (jsonb_typeof(document) = 'object')
               constraint part_document_size check (octet_length(document::text) <= 4096),
  kind         text not null generated always as (document ->> 'kind') stored,
  name         text not null generated always as (document ->> 'name') stored
               constraint part_name_length check (char_length(name) between 1 and 60),
  constraint part_pk primary key (workspace_id, id)
);

create index part_by_kind on part (workspace_id, kind, name, id);
