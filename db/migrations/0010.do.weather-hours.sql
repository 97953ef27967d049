-- The hours of the year that a job's weather file holds; its months and days stand in the job itself.
create table job_weather (
  workspace_id uuid not null,
  job_id       uuid not null,
  latitude     double precision not null constraint job_weather_latitude check (latitude between -90 and 90),
  longitude    double precision not null constraint job_weather_longitude check (longitude between -180 and 180),
  utc_offset_h double precision not null constraint job_weather_offset check (utc_offset_h between -12 and 14),
  -- An hour after the other, 1 January first: Wh/m² on the flat, and °C.
  ghi_wh       real[] not null constraint job_weather_sun check (cardinality(ghi_wh) = 8760 and 0 <= all (ghi_wh) and 1500 >= all (ghi_wh)),
  temp_c       real[] not null constraint job_weather_air check (cardinality(temp_c) = 8760 and -90 <= all (temp_c) and 60 >= all (temp_c)),
  constraint job_weather_pk primary key (workspace_id, job_id),
  constraint job_weather_job_fk foreign key (workspace_id, job_id) references job (workspace_id, id) on delete cascade
);
