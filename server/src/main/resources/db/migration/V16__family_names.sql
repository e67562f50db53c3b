-- The names of a site's own that families have in the CSS of a pack, by their ids; unknown for earlier packs.
alter table pack add column family_names json;
