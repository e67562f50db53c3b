package app.unciala.server.inventory;

import org.flywaydb.core.Flyway;

/** The tables as they were in a version of the schema, made by the migrations up to it. */
public final class Migrations {
    private Migrations() {}

    /**
     * What makes the tables in a new database.
     *
     * @param schema the version of the last migration that is run
     */
    public static Flyway of(String url, int schema) {
        return Flyway.configure()
                .dataSource(url, "unciala", "")
                .javaMigrations(new LinksMigration())
                .target(String.valueOf(schema))
                .load();
    }
}
