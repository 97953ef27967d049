-- Logs: what was measured, of a job or of none yet. Their readings are rows of numbers apart from the document.
create table log (
  workspace_id uuid not null constraint log_workspace_fk references workspace (id) on delete cascade,
  id           uuid not null default gen_random_uuid(),
  -- Short, so that a reading's row is.
  number       integer not null generated always as identity constraint log_number_unique unique,
  job_id       uuid,
  version      integer not null default 1 constraint log_version_positive check (version >= 1),
  -- Grows with every change of the readings.
  readings     bigint not null default 0,
  document     jsonb not null
               constraint log_document_format check (document ->> 'format' = 'joulemetric-log')
               constraint log_document_size check (octet_length(document::text) <= 1048576),
  created_at   timestamptz not null default now(),
  updated_at   timestamptz not null default now(),
  constraint log_pk primary key (workspace_id, id),
  constraint log_job_fk foreign key (workspace_id, job_id) references job (workspace_id, id) on delete set null (job_id)
);

create index log_of_job on log (workspace_id, job_id);

-- What people put down: few, with text, changed and taken out one by one. The id is the sender's, so that what is sent
-- twice is there once.
create table log_entry (
  log      integer not null constraint log_entry_log_fk references log (number) on delete cascade,
  id       uuid not null,
  t        double precision not null,
  document jsonb not null constraint log_entry_size check (octet_length(document::text) <= 4096),
  constraint log_entry_pk primary key (log, id)
);

create index log_entry_by_time on log_entry (log, t);

-- What meters put down: many. t is ms since 1970, or since the log's beginning. No foreign key: it would be looked up
-- for each of a million rows; whoever takes a log out takes its readings out with it, under the log's lock.
create table reading (
  log integer not null,
  t   double precision not null,
  soc real,
  v   real,
  a   real,
  w   real,
  va  real,
  wh  double precision,
  ah  double precision,
  c   real
);

create index reading_by_time on reading (log, t);

-- Some 64 readings of a log that follow one another: least, greatest and mean of each quantity, and of counters and
-- displays the last. Charts of long stretches
-- and forecasts of long logs are made of these.
create table reading_block (
  log    integer not null,
  from_t double precision not null,
  to_t   double precision not null,
  n      integer not null,
  least  real[] not null,
  most   real[] not null,
  mean   double precision[] not null,
  last   double precision[] not null,
  constraint reading_block_pk primary key (log, from_t)
);

-- Simulated instruments that record into a log.
create table log_instrument (
  log        integer not null constraint log_instrument_log_fk references log (number) on delete cascade,
  id         uuid not null default gen_random_uuid(),
  document   jsonb not null constraint log_instrument_size check (octet_length(document::text) <= 262144),
  started_at timestamptz not null default now(),
  -- Readings stored so far; the next one has this number.
  stored     integer not null default 0,
  stopped    boolean not null default false,
  constraint log_instrument_pk primary key (id)
);

create index log_instrument_of_log on log_instrument (log);
