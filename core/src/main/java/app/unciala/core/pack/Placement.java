package app.unciala.core.pack;

import app.unciala.font.FontFormat;
import java.net.URI;
import java.net.URISyntaxException;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * How one host takes font files and refers to them.
 *
 * @param folder for files beside the style sheet: the folder they stand in, seen from the style sheet, such as {@code fonts}
 *     or {@code ../assets}
 * @param base for files under a base address: what stands before each name, or the address of one of them
 * @param expression for a host that replaces an expression: the text around {@value #NAME}
 * @param urls for files whose address is known after they were uploaded: the address of each file by its name
 */
public record Placement(
        Kind kind, String folder, String base, String expression, Map<String, String> urls, FileNames names) {
    /** Stands for the name of the file in an expression. */
    public static final String NAME = "{file}";

    public enum Kind {
        /** In a folder, seen from the style sheet. */
        FOLDER,
        /** Beside the style sheet, without any folder. */
        FLAT,
        /** Under one base address. */
        BASE_URL,
        /** By an expression that the host replaces. */
        EXPRESSION,
        /** Each at an address of its own, known after it was uploaded. */
        URL_PER_FILE,
        /** In the style sheet itself, as data URLs. */
        INLINE
    }

    public Placement {
        urls = Map.copyOf(urls);
    }

    /** A folder {@code fonts} beside the style sheet, names with hyphens and a digest. */
    public static Placement beside() {
        return new Placement(Kind.FOLDER, "fonts", "", "", Map.of(), new FileNames(FileNames.Rule.HYPHENS, true));
    }

    /**
     * Checks what a person described.
     *
     * @throws IllegalArgumentException if an expression lacks its placeholder, or an address or folder is none
     */
    public void check() {
        switch (kind) {
            case EXPRESSION -> {
                if (!expression.contains(NAME)) {
                    throw new IllegalArgumentException("An expression has " + NAME
                            + " where the name of the file belongs; this one has it nowhere.");
                }
            }
            case BASE_URL -> address(base);
            case FOLDER -> {
                if (folder.isBlank() || folder.contains("\\") || folder.startsWith("/") || folder.contains(":")) {
                    throw new IllegalArgumentException(
                            "“" + folder
                                    + "” isn’t a folder seen from the style sheet; write one such as fonts or ../assets/fonts.");
                }
            }
            case URL_PER_FILE -> urls.values().forEach(Placement::address);
            case FLAT, INLINE -> {}
        }
    }

    /**
     * The same as it is kept: a base that was copied from any uploaded file is that of its folder, and what begins with
     * {@code //} is reached by https.
     *
     * @throws IllegalArgumentException as {@link #check}
     */
    public Placement normalized() {
        check();
        Map<String, String> addresses = new LinkedHashMap<>();
        urls.forEach((name, url) -> addresses.put(name, kind == Kind.URL_PER_FILE ? address(url) : url));
        return new Placement(
                kind, folder, kind == Kind.BASE_URL ? folderOf(address(base)) : base, expression, addresses, names);
    }

    /** The address of a file in the style sheet; for one whose address is not known yet, its name. */
    public String url(String fileName) {
        return switch (kind) {
            case FOLDER -> strippedFolder() + "/" + fileName;
            case FLAT, INLINE -> fileName;
            case BASE_URL -> folderOf(base.strip()) + fileName;
            case EXPRESSION -> expression.strip().replace(NAME, fileName);
            case URL_PER_FILE -> urls.getOrDefault(fileName, fileName);
        };
    }

    /** Where a file stands in the archive of a pack. */
    String path(String fileName) {
        boolean below = kind == Kind.FOLDER && !strippedFolder().contains("..");
        return switch (kind) {
            case FLAT -> fileName;
            case FOLDER -> below ? strippedFolder() + "/" + fileName : "fonts/" + fileName;
            case BASE_URL, EXPRESSION, URL_PER_FILE, INLINE -> "fonts/" + fileName;
        };
    }

    /** The addresses that say which hosts serve the files; none where files are beside the style sheet or in it. */
    public List<String> addresses() {
        return switch (kind) {
            case BASE_URL -> List.of(base.strip());
            case URL_PER_FILE -> urls.values().stream().sorted().toList();
            case EXPRESSION -> List.of(expression.strip().replace(NAME, ""));
            case FOLDER, FLAT, INLINE -> List.of();
        };
    }

    /** Of the files of a pack, those whose address is not known yet. */
    public List<String> withoutUrl(List<String> fileNames) {
        return kind == Kind.URL_PER_FILE
                ? fileNames.stream().filter(name -> !urls.containsKey(name)).toList()
                : List.of();
    }

    /**
     * Reads addresses that were pasted, one a line, alone or after the name of the file, and matches them to files.
     *
     * @param fileNames those that were uploaded
     * @throws IllegalArgumentException naming the line, if one is no address, fits no file or fits one that has its
     *     address already
     */
    public static Map<String, String> matched(String pasted, List<String> fileNames) {
        Map<String, String> urls = new LinkedHashMap<>();
        List<String> lines = pasted.lines()
                .map(String::strip)
                .filter(line -> !line.isEmpty())
                .toList();
        for (String line : lines) {
            int at = Math.max(line.lastIndexOf(' '), line.lastIndexOf('\t'));
            String address = address(line.substring(at + 1));
            String name = fileOf(at < 0 ? "" : line.substring(0, at).strip(), address, fileNames);
            if (urls.containsKey(name)) {
                throw new IllegalArgumentException("“" + line + "”: " + name + " has its address already.");
            }
            if (urls.containsValue(address)) {
                throw new IllegalArgumentException("“" + line + "”: another file has this address already.");
            }
            urls.put(name, address);
        }
        return urls;
    }

    private static String fileOf(String named, String address, List<String> fileNames) {
        if (fileNames.contains(named)) {
            return named;
        }
        String path = URI.create(address).getPath();
        String last =
                path == null ? "" : path.substring(path.lastIndexOf('/') + 1).toLowerCase(Locale.ROOT);
        Set<String> found = fileNames.stream()
                .filter(name -> last.equals(name.toLowerCase(Locale.ROOT))
                        || last.contains(name.toLowerCase(Locale.ROOT).replaceAll("\\.[^.]*$", "")))
                .collect(Collectors.toCollection(LinkedHashSet::new));
        Set<String> exact = found.stream()
                .filter(name -> last.equals(name.toLowerCase(Locale.ROOT)))
                .collect(Collectors.toCollection(LinkedHashSet::new));
        Set<String> best = exact.isEmpty() ? found : exact;
        if (best.size() != 1) {
            throw new IllegalArgumentException("“" + address + "” "
                    + (best.isEmpty() ? "is the address of none of the files" : "may be the address of several files")
                    + "; write the name of its file before it.");
        }
        return best.iterator().next();
    }

    /** What stands before the names of files: of an address of one of them, the folder; a query that is open stays. */
    private static String folderOf(String address) {
        String path = address.replaceFirst("[?#].*$", "");
        String last = path.substring(path.lastIndexOf('/') + 1);
        if (FontFormat.promisedBy(last).isPresent()) {
            return path.substring(0, path.length() - last.length());
        }
        return address.endsWith("/") || address.endsWith("=") ? address : address + "/";
    }

    /**
     * An address as it was copied, perhaps within quotation marks or {@code url()}: over https, from the top of the host
     * ({@code /…}), or seen from the style sheet ({@code ./…}, {@code ../…}).
     */
    private static String address(String copied) {
        String text =
                copied.strip().replaceFirst("^url\\((.*)\\)$", "$1").strip().replaceFirst("^([\"'])(.*)\\1$", "$2");
        String address = text.startsWith("//") ? "https:" + text : text;
        if (address.regionMatches(true, 0, "http:", 0, 5)) {
            throw new IllegalArgumentException("“" + address + "” must begin with https:.");
        }
        try {
            URI uri = new URI(address);
            boolean isReference = uri.getScheme() == null && address.matches("(/|\\.{1,2}/).*");
            if (isReference || ("https".equalsIgnoreCase(uri.getScheme()) && uri.getHost() != null)) {
                return address;
            }
        } catch (URISyntaxException e) {
            // Told below, as what has no host.
        }
        throw new IllegalArgumentException("“" + address
                + "” isn’t an address; write one such as https://cdn.client.example/fonts/ or /assets/fonts/.");
    }

    private String strippedFolder() {
        return folder.strip().replaceAll("^(\\./)+|/+$", "");
    }
}
