-- What is kept of a site goes with it; what was left of sites that are gone goes now.
delete from check_plan where site_id not in (select id from site);
alter table check_plan add constraint check_plan_site
  foreign key (site_id) references site (id) on delete cascade;
delete from site_check where site_id not in (select id from site);
alter table site_check add constraint site_check_site
  foreign key (site_id) references site (id) on delete cascade;
delete from shown_font where site_id not in (select id from site);
alter table shown_font add constraint shown_font_site
  foreign key (site_id) references site (id) on delete cascade;
delete from page_reading where site_id not in (select id from site);
alter table page_reading add constraint page_reading_site
  foreign key (site_id) references site (id) on delete cascade;
delete from reading_key where site_id not in (select id from site);
alter table reading_key add constraint reading_key_site
  foreign key (site_id) references site (id) on delete cascade;
-- The reference that page views have keeps sites from going; it has no name by which it could be changed.
create table page_views_kept (
  site_id varchar(20) not null,
  read_month date not null,
  page_views bigint not null,
  primary key (site_id, read_month),
  constraint page_views_site foreign key (site_id) references site (id) on delete cascade
);
insert into page_views_kept (site_id, read_month, page_views) select site_id, read_month, page_views from page_views;
drop table page_views;
alter table page_views_kept rename to page_views;
