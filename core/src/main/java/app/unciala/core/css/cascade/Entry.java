package app.unciala.core.css.cascade;

import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.css.syntax.StyleSheet.Declaration;
import app.unciala.core.css.syntax.Token;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What a declaration says of one property, or of a custom property.
 *
 * @param property null for a custom property
 * @param name as it is declared: that of a shorthand where it is one
 * @param value of the property; all of the declaration's where {@code var()} stands in it
 * @param text the declaration's value as it is written
 * @param refers whether the value has to be put together for each element
 * @param refersTo the first custom property in the value
 */
record Entry(
        @Nullable Property property,
        String name,
        List<Token> value,
        String text,
        boolean refers,
        Optional<String> refersTo,
        boolean important) {
    static List<Entry> of(StyleSheet sheet, Declaration declaration) {
        String name = declaration.name();
        List<Token> value = declaration.value();
        boolean important = declaration.important();
        if (declaration.isCustomProperty()) {
            return List.of(new Entry(null, name, value, sheet.source(value), false, Optional.empty(), important));
        }
        List<Entry> entries = new ArrayList<>();
        String text = sheet.source(value);
        if (Variables.refers(value)) {
            Optional<String> refersTo = Variables.firstIn(value);
            Property.saidBy(name)
                    .forEach(
                            property -> entries.add(new Entry(property, name, value, text, true, refersTo, important)));
        } else {
            FontValues.expanded(name, value)
                    .forEach((property, part) ->
                            entries.add(new Entry(property, name, part, text, false, Optional.empty(), important)));
        }
        return entries;
    }

    /** The value once every {@code var()} is replaced; nothing where one stands for nothing. */
    Optional<List<Token>> value(Variables variables) {
        return !refers || property == null ? Optional.of(value) : variables.valueOf(this);
    }

    /** Works out the value for some variables. */
    Optional<List<Token>> substituted(Variables variables) {
        return variables
                .substituted(text)
                .map(StyleSheet::tokens)
                .map(StyleSheet::trimmed)
                .map(tokens -> FontValues.expanded(name, tokens).get(property));
    }
}
