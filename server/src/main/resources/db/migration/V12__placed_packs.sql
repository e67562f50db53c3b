-- When a pack was placed on its host, and how it was delivered.
alter table pack add column placed_on date;
alter table pack add column delivery json;
alter table pack add column roles json;
