package app.unciala.font.subset.color;

import app.unciala.font.layout.GlyphMap;
import java.io.ByteArrayOutputStream;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javax.xml.transform.OutputKeys;
import javax.xml.transform.Transformer;
import javax.xml.transform.TransformerException;
import javax.xml.transform.TransformerFactory;
import javax.xml.transform.dom.DOMSource;
import javax.xml.transform.stream.StreamResult;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NamedNodeMap;
import org.w3c.dom.Node;
import org.w3c.dom.Text;

/** The elements of one document that draw glyphs: {@code glyph12} is the drawing of glyph 12. */
final class SvgGlyphElements {
    private static final Pattern GLYPH = Pattern.compile("glyph(\\d{1,5})");
    /** In an attribute such as {@code href} or {@code fill}, or in a style sheet. */
    private static final Pattern REFERENCE = Pattern.compile("#([\\w.-]+)");

    private final Document document;
    private final BitSet drawn;
    private final GlyphMap map;

    /**
     * @param document not changed
     * @param drawn the glyphs to keep of those that the document draws
     */
    SvgGlyphElements(Document document, BitSet drawn, GlyphMap map) {
        this.document = (Document) document.cloneNode(true);
        this.drawn = drawn;
        this.map = map;
    }

    /** The document with the drawings of kept glyphs, and of what these refer to. */
    byte[] cut() {
        Map<String, String> names = new HashMap<>();
        List<Element> others = new ArrayList<>();
        for (Element element : elements(document.getDocumentElement())) {
            Matcher glyph = GLYPH.matcher(element.getAttribute("id"));
            if (glyph.matches()) {
                int number = Integer.parseInt(glyph.group(1));
                boolean kept = drawn.get(number);
                names.put(glyph.group(), kept ? "glyph" + map.after(number) : "of-" + glyph.group());
                if (!kept && !isRoot(element)) {
                    others.add(element);
                }
            }
        }
        removeUnused(others);
        for (Element element : elements(document.getDocumentElement())) {
            String id = element.getAttribute("id");
            if (names.containsKey(id)) {
                element.setAttribute("id", names.get(id));
            }
        }
        texts(
                document.getDocumentElement(),
                text -> text.setNodeValue(REFERENCE
                        .matcher(text.getNodeValue())
                        .replaceAll(found ->
                                "#" + Matcher.quoteReplacement(names.getOrDefault(found.group(1), found.group(1))))));
        return written();
    }

    private boolean isRoot(Element element) {
        return element == document.getDocumentElement();
    }

    /** Takes out those elements that hold no kept glyph and that nothing refers to which stays. */
    private void removeUnused(List<Element> others) {
        Map<Element, Node> places = new HashMap<>();
        Map<String, Element> byId = new HashMap<>();
        for (Element other : others) {
            if (isInDocument(other) && elements(other).stream().noneMatch(this::isKept)) {
                Node place = document.createTextNode("");
                Objects.requireNonNull(other.getParentNode()).replaceChild(place, other);
                places.put(other, place);
                elements(other).forEach(element -> byId.put(element.getAttribute("id"), other));
            }
        }
        Deque<Element> staying = new ArrayDeque<>(List.of(document.getDocumentElement()));
        while (!staying.isEmpty()) {
            texts(staying.remove(), text -> REFERENCE
                    .matcher(text.getNodeValue())
                    .results()
                    .flatMap(found -> Stream.ofNullable(byId.get(found.group(1))))
                    .forEach(other -> {
                        Node place = places.remove(other);
                        if (place != null) {
                            Objects.requireNonNull(place.getParentNode()).replaceChild(other, place);
                            staying.add(other);
                        }
                    }));
        }
    }

    /** It is not when an element around it was taken out. */
    private boolean isInDocument(Element element) {
        Node outermost = element;
        for (Node parent = outermost.getParentNode(); parent != null; parent = parent.getParentNode()) {
            outermost = parent;
        }
        return outermost == document;
    }

    private boolean isKept(Element element) {
        Matcher glyph = GLYPH.matcher(element.getAttribute("id"));
        return glyph.matches() && drawn.get(Integer.parseInt(glyph.group(1)));
    }

    /** An element and all elements in it. */
    private static List<Element> elements(Element root) {
        List<Element> found = new ArrayList<>(List.of(root));
        var inside = root.getElementsByTagName("*");
        for (int i = 0; i < inside.getLength(); i++) {
            found.add((Element) inside.item(i));
        }
        return found;
    }

    /** The attributes of an element and of all elements in it, and the text of style sheets. */
    private static void texts(Element root, Consumer<Node> each) {
        for (Element element : elements(root)) {
            NamedNodeMap attributes = element.getAttributes();
            for (int i = 0; i < attributes.getLength(); i++) {
                each.accept(attributes.item(i));
            }
            if ("style".equals(element.getLocalName())) {
                for (Node child = element.getFirstChild(); child != null; child = child.getNextSibling()) {
                    if (child instanceof Text) {
                        each.accept(child);
                    }
                }
            }
        }
    }

    private byte[] written() {
        try {
            Transformer transformer = TransformerFactory.newDefaultInstance().newTransformer();
            transformer.setOutputProperty(OutputKeys.OMIT_XML_DECLARATION, "yes");
            transformer.setOutputProperty(OutputKeys.ENCODING, "UTF-8");
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            transformer.transform(new DOMSource(document.getDocumentElement()), new StreamResult(out));
            return out.toByteArray();
        } catch (TransformerException e) {
            throw new IllegalStateException(e);
        }
    }
}
