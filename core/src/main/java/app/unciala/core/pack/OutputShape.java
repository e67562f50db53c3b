package app.unciala.core.pack;

/** The form in which a host takes the rules of a pack. */
public enum OutputShape {
    /** A file of its own, {@code type.css}. */
    STYLE_SHEET("type.css"),
    /** A {@code <style>} element for the head of a page. */
    STYLE_BLOCK("head.html"),
    /** Rules to be put after those of a style sheet that is there. */
    APPENDED("append.css"),
    /** The faces, and custom properties that rules elsewhere use. */
    CUSTOM_PROPERTIES("properties.css"),
    /** The faces, and the tokens of the Design Tokens Community Group's format. */
    DESIGN_TOKENS("type.tokens.json"),
    /** Names and values, line by line, for the menu of a host. */
    MENU("menu.txt");

    private final String fileName;

    OutputShape(String fileName) {
        this.fileName = fileName;
    }

    public String fileName() {
        return fileName;
    }

    /** Whether the rules of the text roles stand in it. */
    boolean hasRules() {
        return this == STYLE_SHEET || this == STYLE_BLOCK || this == APPENDED;
    }
}
