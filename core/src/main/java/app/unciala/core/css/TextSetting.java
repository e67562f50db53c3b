package app.unciala.core.css;

import java.util.LinkedHashMap;
import java.util.Map;

/** What is said of the texts of a role besides their face, each as CSS has it; empty where nothing is said. */
public record TextSetting(String size, String lineHeight, String letterSpacing, String wordSpacing) {
    public static final TextSetting NONE = new TextSetting("", "", "", "");

    /** Values by property, in the order in which rules have them; without those of which nothing is said. */
    public Map<String, String> declarations() {
        Map<String, String> said = new LinkedHashMap<>();
        said.put("font-size", size.strip());
        said.put("line-height", lineHeight.strip());
        said.put("letter-spacing", letterSpacing.strip());
        said.put("word-spacing", wordSpacing.strip());
        said.values().removeIf(String::isEmpty);
        return said;
    }
}
