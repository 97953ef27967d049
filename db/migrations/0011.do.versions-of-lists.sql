-- Parts, measured appliances and instruments have versions, as jobs have: whoever changes one names the version seen.
alter table part add column version integer not null default 1 constraint part_version_positive check (version >= 1);
alter table appliance add column version integer not null default 1 constraint appliance_version_positive check (version >= 1);
alter table log_instrument add column version integer not null default 1 constraint log_instrument_version_positive check (version >= 1);
-- Those that record are looked up twice a second.
create index log_instrument_running on log_instrument (log) where not stopped;
