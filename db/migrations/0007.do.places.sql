-- An open gazetteer, to find latitude and longitude of a place by its name.
create extension if not exists pg_trgm;
create extension if not exists unaccent;

create table place (
  id           integer primary key,
  name         text not null constraint place_name check (length(name) between 1 and 200),
  -- As it is searched: without accents, in small letters.
  plain        text not null,
  country      text not null constraint place_country check (country ~ '^[A-Z]{2}$'),
  latitude     double precision not null constraint place_latitude check (latitude between -90 and 90),
  longitude    double precision not null constraint place_longitude check (longitude between -180 and 180),
  population   integer not null constraint place_population check (population >= 0)
);
create index place_plain_trigrams on place using gin (plain gin_trgm_ops);
create index place_plain_begins on place (plain text_pattern_ops, population desc);
