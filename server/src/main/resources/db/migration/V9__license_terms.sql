-- The client who holds a license, and its limit on page views, are what it is looked up by.
alter table license add column holder_id varchar(20);
alter table license add column page_view_limit bigint;
alter table license add column next_payment date;
create index license_holder on license (holder_id);
create index license_next_payment on license (next_payment);
-- The secret addresses under which people subscribe to the calendar of what falls due; only their digests are kept.
create table calendar_address (
  secret_sha256 varchar(64) primary key,
  account varchar(80) not null,
  created_at timestamp(6) with time zone not null
);
create index calendar_address_account on calendar_address (account);
-- The page views that were read of a site in one month; the month stands as its first day.
create table page_views (
  site_id varchar(20) not null references site (id),
  read_month date not null,
  page_views bigint not null,
  primary key (site_id, read_month)
);
-- What a license rests on is its basis; two of them have other names now.
update license set terms = replace(replace(replace(cast(terms as varchar),
  '"kind":"FREE"', '"basis":"OPEN"'), '"kind":"PER_DOMAIN"', '"basis":"BOUGHT"'), '"kind":"', '"basis":"') format json;
