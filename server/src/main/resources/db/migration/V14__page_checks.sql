-- Checks of sites' pages: what is to be checked, every check with its pages, and the fonts that the latest one found.
create table check_plan (
  site_id varchar(20) primary key,
  version bigint not null,
  plan json not null
);
create table site_check (
  id varchar(20) primary key,
  site_id varchar(20) not null,
  state varchar(20) not null,
  asked_at timestamp with time zone not null,
  asked_by varchar(80) not null,
  ended_at timestamp with time zone,
  pages_read integer not null,
  pages_known integer not null,
  page varchar(2000) not null,
  failure varchar(2000),
  report json
);
create index site_check_by_site on site_check (site_id, asked_at);
create table checked_page (
  id varchar(20) primary key,
  check_id varchar(20) not null references site_check (id) on delete cascade,
  position integer not null,
  content json not null,
  unique (check_id, position)
);
create table shown_font (
  site_id varchar(20) not null,
  sha256 varchar(64) not null,
  drawing varchar(64) not null,
  family_id varchar(20)
);
create index shown_font_by_site on shown_font (site_id);
create index shown_font_by_family on shown_font (family_id);
create index shown_font_by_drawing on shown_font (drawing);
-- Hosts with their ports that may be connected to although they are in private networks or on this machine.
create table private_host (
  host varchar(300) primary key,
  allowed_by varchar(80) not null,
  allowed_at timestamp with time zone not null
);
