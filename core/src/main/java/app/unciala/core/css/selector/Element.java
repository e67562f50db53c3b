package app.unciala.core.css.selector;

import app.unciala.core.css.selector.Selector.Key;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** An element of a page as selectors look at it. The tree is built once, from the root down, and then stays. */
public final class Element {
    private final String tag;
    private final Map<String, String> attributes;
    private final @Nullable Element parent;
    private final int line;
    private final Set<String> classes;
    private final List<Key> keys;
    private final List<Element> children = new ArrayList<>();
    private final Map<String, Integer> types = new HashMap<>();
    private int index;
    private int indexOfType;
    private final KeyFilter above;
    private KeyFilter below = KeyFilter.NOTHING;
    private boolean hasText;

    private Element(String tag, Map<String, String> attributes, @Nullable Element parent, int line) {
        this.tag = tag;
        this.attributes = new LinkedHashMap<>(attributes);
        this.parent = parent;
        this.line = line;
        classes = classes(attributes.get("class"));
        keys = keys(tag, attributes.getOrDefault("id", ""), classes);
        above = parent == null ? KeyFilter.NOTHING : parent.above.with(parent.keys);
    }

    /** All by which selectors are looked up that may match it: its type, its id, its classes. */
    public List<Key> keys() {
        return keys;
    }

    private static List<Key> keys(String tag, String id, Set<String> classes) {
        List<Key> keys = new ArrayList<>();
        keys.add(new Key(Key.Kind.TYPE, tag));
        if (!id.isEmpty()) {
            keys.add(new Key(Key.Kind.ID, id));
        }
        classes.forEach(name -> keys.add(new Key(Key.Kind.CLASS, name)));
        return List.copyOf(keys);
    }

    /** The types, ids and classes of the elements around it, each once. */
    public Set<Key> ancestorKeys() {
        Set<Key> all = new HashSet<>();
        for (Element up = parent; up != null; up = up.parent) {
            all.addAll(up.keys);
        }
        return all;
    }

    /** The ids, classes and types of the elements around it. */
    KeyFilter keysAbove() {
        return above;
    }

    /** The ids, classes and types of the elements inside it. */
    KeyFilter keysBelow() {
        return below;
    }

    /** The root element; tag and names of attributes in lower case, {@code line} where it begins in the page. */
    public static Element root(String tag, Map<String, String> attributes, int line) {
        Element root = new Element(tag, attributes, null, line);
        root.index = 1;
        root.indexOfType = 1;
        return root;
    }

    /** Adds an element after the children that are there. */
    public Element add(String childTag, Map<String, String> childAttributes, int childLine) {
        Element child = new Element(childTag, childAttributes, this, childLine);
        child.index = children.size() + 1;
        child.indexOfType = types.merge(childTag, 1, Integer::sum);
        children.add(child);
        KeyFilter added = KeyFilter.NOTHING.with(child.keys);
        // What holds the keys already, all around it do.
        for (Element up = this; up != null && !up.below.mayHold(added); up = up.parent) {
            up.below = up.below.with(child.keys);
        }
        return child;
    }

    /** Says that it has text of its own, so that it is not empty. */
    public void hasText() {
        hasText = true;
    }

    private static Set<String> classes(@Nullable String names) {
        return names == null ? Set.of() : Set.copyOf(Arrays.asList(names.strip().split("[ \\t\\n\\r\\f]+")));
    }

    public String tag() {
        return tag;
    }

    public Optional<String> attribute(String name) {
        return Optional.ofNullable(attributes.get(name));
    }

    public boolean has(String name) {
        return attributes.containsKey(name);
    }

    public String id() {
        return attributes.getOrDefault("id", "");
    }

    public Set<String> classes() {
        return classes;
    }

    public Optional<Element> parent() {
        return Optional.ofNullable(parent);
    }

    /** The element around it, or null: read far more often than anything else. */
    @Nullable
    Element above() {
        return parent;
    }

    /** The element before it under the same parent, or null. */
    @Nullable
    Element before() {
        return parent == null || index == 1 ? null : parent.children.get(index - 2);
    }

    public List<Element> children() {
        return Collections.unmodifiableList(children);
    }

    public int line() {
        return line;
    }

    /** Which child of its parent it is, from 1. */
    int index() {
        return index;
    }

    int indexFromEnd() {
        return parent == null ? 1 : parent.children.size() - index + 1;
    }

    int indexOfType() {
        return indexOfType;
    }

    int indexOfTypeFromEnd() {
        return ofType() - indexOfType + 1;
    }

    /** How many children of its parent have its type. */
    private int ofType() {
        return parent == null ? 1 : parent.types.getOrDefault(tag, 1);
    }

    List<Element> siblings() {
        return parent == null ? List.of(this) : parent.children;
    }

    boolean isEmpty() {
        return children.isEmpty() && !hasText;
    }

    /** The language that it or the nearest element around it says, in lower case; empty when none does. */
    public String language() {
        for (Element e = this; e != null; e = e.parent) {
            String said = e.attributes.get("lang");
            if (said != null) {
                return said.strip().toLowerCase(Locale.ROOT);
            }
        }
        return "";
    }

    /** Where it is in the page, as a selector that matches it alone, such as {@code html > body > p:nth-of-type(2)}. */
    public String path() {
        String own = ofType() == 1 ? tag : tag + ":nth-of-type(" + indexOfType + ")";
        return parent == null ? own : parent.path() + " > " + own;
    }

    @Override
    public String toString() {
        return path();
    }
}
