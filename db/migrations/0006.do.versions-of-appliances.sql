-- The firm's entries say which version they are of, as jobs do; those that do not say it are of the one before that.
alter table appliance
  add column schema_version integer not null
    generated always as (case when document ->> 'schemaVersion' ~ '^[1-9][0-9]{0,5}$'
                              then (document ->> 'schemaVersion')::integer else 3 end) stored;

create index appliance_by_schema_version on appliance (schema_version, id);
create index job_by_schema_version on job (schema_version, id);
