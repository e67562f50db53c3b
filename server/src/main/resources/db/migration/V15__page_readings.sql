-- Pages as people's own browsers read them, and the keys that such readings are sent with.
create table page_reading (
  id varchar(20) primary key,
  site_id varchar(20) not null,
  url varchar(2000) not null,
  title varchar(600) not null,
  text_kept boolean not null,
  taken_at timestamp with time zone not null,
  taken_by varchar(80) not null,
  sha256 varchar(64) not null,
  bytes bigint not null,
  unique (site_id, url)
);
create table reading_key (
  digest varchar(64) primary key,
  site_id varchar(20) not null,
  asked_by varchar(80) not null,
  ends_at timestamp with time zone not null
);
