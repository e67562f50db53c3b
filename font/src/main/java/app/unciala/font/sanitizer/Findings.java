package app.unciala.font.sanitizer;

/** Takes what a check finds wrong. */
interface Findings {
    void add(String table, String text);

    default void addIf(boolean wrong, String table, String text) {
        if (wrong) {
            add(table, text);
        }
    }
}
