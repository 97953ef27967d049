-- What a list says of each job, reckoned after a save and kept for the version it was reckoned of.
create table job_summary (
  workspace_id uuid not null,
  job_id       uuid not null,
  version      integer not null constraint job_summary_version check (version >= 1),
  summary      jsonb not null
               constraint job_summary_object check (jsonb_typeof(summary) = 'object')
               constraint job_summary_size check (octet_length(summary::text) <= 4096),
  constraint job_summary_pk primary key (workspace_id, job_id),
  constraint job_summary_job_fk foreign key (workspace_id, job_id) references job (workspace_id, id) on delete cascade
);
