-- Several people at one inventory: levels, links between records, kept flags, history with changes, and undo.

-- Parts kept as one value are JSON for the database too.
alter table intake alter column uploads set data type json using uploads format json;
alter table intake_item alter column facts set data type json using facts format json;
alter table license alter column terms set data type json using terms format json;
alter table site alter column details set data type json using details format json;
alter table pack alter column contents set data type json using contents format json;

-- People.
alter table account add column level varchar(20) default 'ADMINISTRATOR' not null;
alter table account add column removed_at timestamp with time zone;
create table invitation (
  token_hash varchar(64) primary key,
  account varchar(80) not null references account (name),
  expires_at timestamp with time zone not null
);

-- Every change takes this row first, so that changes follow one another and see each other's results.
-- inventory counts the changes of held files; compared is the version of the last full comparison, day its day.
create table change_lock (
  id integer primary key,
  inventory bigint not null,
  compared_version integer not null,
  compared_day date not null
);
insert into change_lock values (1, 0, 0, date '1970-01-01');

-- Which records name which families; written with the records.
create table site_family (
  site_id varchar(20) not null references site (id) on delete cascade,
  family_id varchar(20) not null references family (id),
  primary key (site_id, family_id)
);
create index site_family_family on site_family (family_id);
create table license_family (
  license_id varchar(20) not null references license (id) on delete cascade,
  family_id varchar(20) not null references family (id),
  primary key (license_id, family_id)
);
create index license_family_family on license_family (family_id);
create table pack_family (
  pack_id varchar(20) not null references pack (id) on delete cascade,
  family_id varchar(20) not null references family (id),
  primary key (pack_id, family_id)
);
create index pack_family_family on pack_family (family_id);

-- What is deleted can be taken back for a while.
alter table family add column deleted_at timestamp with time zone;
alter table face_file add column deleted_at timestamp with time zone;
alter table license add column deleted_at timestamp with time zone;
alter table client add column deleted_at timestamp with time zone;
alter table site add column deleted_at timestamp with time zone;
create index face_file_drawing on face_file (drawing);
create index client_name on client (name, id);
create index site_name on site (name, id);
create index site_client on site (client_id);
create index license_name on license (name, id);
create index pack_site on pack (site_id, made_at);

-- Licenses: what is looked up by day and by word, and every agreement that was ever attached.
alter table license add column begins date;
alter table license add column ends date;
alter table license add column notice_from date;
alter table license add column ends_or_never date default date '9999-12-31' not null;
create index license_ends_or_never on license (ends_or_never, name, id);
alter table license add column search_text varchar(100000) default '' not null;
create index license_begins on license (begins);
create index license_ends on license (ends);
create index license_notice on license (notice_from);
alter table site add column search_text varchar(100000) default '' not null;
create table agreement (
  id varchar(20) primary key,
  license_id varchar(20) not null references license (id) on delete cascade,
  file_name varchar(300) not null,
  sha256 varchar(64) not null,
  bytes bigint not null,
  added_at timestamp with time zone not null,
  added_by varchar(80) not null
);
create index agreement_license on agreement (license_id);
create index agreement_sha256 on agreement (sha256);
insert into agreement
  select id, id, agreement_name, agreement_sha256, agreement_bytes, current_timestamp, 'unciala'
  from license where agreement_sha256 is not null;
alter table license drop column agreement_name;
alter table license drop column agreement_sha256;
alter table license drop column agreement_bytes;

-- Intakes: the verdicts are kept, and so are the keys by which they are found.
alter table intake add column version bigint default 0 not null;
alter table intake add column judged_at bigint default -1 not null;
alter table intake add column files integer default 0 not null;
alter table intake add column closed_at timestamp with time zone;
update intake set files = (select count(*) from intake_item where intake_item.intake_id = intake.id);
create index intake_created on intake (created_at, id);
create index intake_state on intake (state);
alter table intake_item add column drawing varchar(64) default '' not null;
alter table intake_item add column format varchar(20) default '' not null;
alter table intake_item add column family_key varchar(300) default '' not null;
alter table intake_item add column verdict varchar(20) default '' not null;
alter table intake_item add column because varchar(3000) default '' not null;
alter table intake_item add column goes_in boolean default false not null;
alter table intake_item add column face_file_id varchar(20);

create index intake_item_position on intake_item (intake_id, position);
create index intake_item_sha256 on intake_item (sha256);

-- Packs: what was asked, held and allowed when they were made.
alter table pack add column asked json;
alter table pack add column domains json;

-- History: on what, what changed, and how it is taken back.
alter table history add column subject_name varchar(300) default '' not null;
alter table history add column changes json;
alter table history add column reversal json;
alter table history add column undone boolean default false not null;
create index history_subject on history (subject_type, subject_id, id);
create index history_by on history (by_name, id);

-- Flags are kept. A row is a flag by its identity; since is when it was last found anew, gone when its cause went.
create table flag (
  id varchar(20) primary key,
  version bigint not null,
  identity varchar(4000) not null,
  kind varchar(40) not null,
  flag_group varchar(20) not null,
  severity varchar(10) not null,
  kind_order integer not null,
  owner varchar(100) not null,
  cause varchar(80) not null,
  title varchar(2000) not null,
  reason varchar(4000) not null,
  evidence json not null,
  action varchar(30) not null,
  site_id varchar(20),
  family_id varchar(20),
  license_id varchar(20),
  slot varchar(60),
  domain varchar(300),
  point varchar(20),
  file_ids json not null,
  since timestamp with time zone not null,
  gone timestamp with time zone,
  accepted_until date,
  accepted_reason varchar(2000),
  accepted_by varchar(80),
  accepted_at timestamp with time zone,
  assignee varchar(80),
  assigned_by varchar(80),
  assigned_at timestamp with time zone
);
create index flag_owner on flag (owner);
create index flag_cause on flag (cause, gone, accepted_until);
create index flag_order on flag (gone, kind_order, id);
create index flag_since on flag (gone, since, id);
create index flag_site on flag (site_id);
create index flag_license on flag (license_id);
create index flag_assignee on flag (assignee);
create index flag_accepted on flag (accepted_until);
create table flag_family (
  flag_id varchar(20) not null references flag (id) on delete cascade,
  family_id varchar(20) not null,
  primary key (flag_id, family_id)
);
create index flag_family_family on flag_family (family_id);
-- Earlier times at which a flag stood.
create table flag_period (
  id bigint generated by default as identity primary key,
  flag_id varchar(20) not null references flag (id) on delete cascade,
  since timestamp with time zone not null,
  gone timestamp with time zone not null
);
create index flag_period_flag on flag_period (flag_id);
create table flag_comment (
  id bigint generated by default as identity primary key,
  flag_id varchar(20) not null references flag (id) on delete cascade,
  at timestamp with time zone not null,
  by_name varchar(80) not null,
  text varchar(2000) not null
);
create index flag_comment_flag on flag_comment (flag_id);
-- How many flags stand for each cause, counted anew whenever one of them changes.
create table flag_cause (
  cause varchar(80) primary key,
  kind varchar(40) not null,
  flag_group varchar(20) not null,
  severity varchar(10) not null,
  kind_order integer not null,
  license_id varchar(20),
  family_id varchar(20),
  open_count integer not null,
  accepted_count integer not null,
  families integer not null,
  sites integer not null,
  since timestamp with time zone
);
create index flag_cause_order on flag_cause (kind_order, cause);
-- Asked, held and allowed of every site, as last compared.
create table site_comparison (
  site_id varchar(20) primary key references site (id) on delete cascade,
  asked json not null
);

-- What the last reading of every stored file found.
create table stored_file (
  sha256 varchar(64) primary key,
  state varchar(10) not null,
  checked_at timestamp with time zone not null
);
create index stored_file_checked on stored_file (checked_at);
create index stored_file_state on stored_file (state);

-- The job library's own table.
create table scheduled_tasks (
  task_name varchar(100) not null,
  task_instance varchar(100) not null,
  task_data blob,
  execution_time timestamp(6) with time zone not null,
  picked boolean not null,
  picked_by varchar(50),
  last_success timestamp(6) with time zone,
  last_failure timestamp(6) with time zone,
  consecutive_failures integer,
  last_heartbeat timestamp(6) with time zone,
  version bigint not null,
  priority smallint,
  primary key (task_name, task_instance)
);
create index scheduled_tasks_execution on scheduled_tasks (execution_time);
create index scheduled_tasks_heartbeat on scheduled_tasks (last_heartbeat);
alter table license add column agreements integer default 0 not null;
update license set agreements = (select count(*) from agreement where agreement.license_id = license.id);
