package app.unciala.cli;

import app.unciala.core.check.SiteRoles;
import app.unciala.core.css.cascade.FamilyName;
import app.unciala.core.css.cascade.Rule;
import app.unciala.core.css.cascade.TextStyle;
import app.unciala.core.css.cascade.Viewport;
import app.unciala.core.fetch.FetchRules;
import app.unciala.core.fetch.LocalResources;
import app.unciala.core.fetch.Remembered;
import app.unciala.core.fetch.WebResources;
import app.unciala.core.page.AskedRole;
import app.unciala.core.page.PageFinding;
import app.unciala.core.page.PageFinding.Severity;
import app.unciala.core.page.PageReader;
import app.unciala.core.page.PageReading;
import app.unciala.core.page.Resources;
import app.unciala.core.page.Run;
import app.unciala.core.page.Run.Given;
import java.io.IOException;
import java.io.PrintWriter;
import java.net.InetSocketAddress;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import tools.jackson.core.JsonGenerator;

/** Prints what is wrong with the fonts of pages, or every run of their text with what it is given. */
@Command(
        name = "check",
        description =
                "Says what is wrong with the fonts of pages, one JSON object a line; exit code 1 when visitors see"
                        + " other fonts than were asked for.",
        footer = "  unciala check https://client.example/ --width 390",
        exitCodeList = {
            "0:done, and nothing is wrong",
            "1:visitors see other fonts than were asked for, or a page could not be read",
            "2:the command line is wrong"
        })
final class CheckCommand implements Callable<Integer> {
    private static final Pattern CONNECT_TO = Pattern.compile("([^=]+):(\\d{1,5})=(.+):(\\d{1,5})");

    @Spec
    private CommandSpec spec;

    @Parameters(paramLabel = "PAGE", arity = "1..*", description = "an address, or an HTML file")
    private List<String> pages = List.of();

    @Option(
            names = "--connect-to",
            paramLabel = "HOST:PORT=ADDRESS:PORT",
            description = "where to connect to for a host, such as a staging server; private addresses need"
                    + " --allow-private as well")
    private List<String> connectTo = List.of();

    @Option(names = "--width", paramLabel = "PX", description = "how wide the window is; 1280 unless said")
    private double width = Viewport.LAPTOP.width();

    @Option(names = "--allow-private", description = "read from private networks and this machine, too")
    private boolean allowPrivate;

    @Option(names = "--runs", description = "print every run of text instead")
    private boolean runs;

    @Option(
            names = "--roles",
            paramLabel = "FILE",
            description =
                    "a JSON list of {\"role\", \"selector\", \"family\", \"weight\", \"slope\"}: print for each"
                            + " text role whether its texts are shown as asked, what decides otherwise, and CSS that overrides it")
    private @Nullable Path rolesFile;

    private List<AskedRole> roles = List.of();

    @Override
    public Integer call() throws IOException {
        if (!(width >= 1 && width <= 20_000)) {
            throw new ParameterException(spec.commandLine(), "--width " + width + ": write 1 to 20000 CSS pixels");
        }
        roles = askedRoles();
        SiteRoles onSite = new SiteRoles(roles);
        FetchRules rules = new FetchRules(addresses(), allowPrivate, FetchRules.USUAL);
        PrintWriter out = spec.commandLine().getOut();
        boolean bad = false;
        try (WebResources web = new WebResources(rules)) {
            Readers readers = new Readers(new Remembered(web), Viewport.ofWidth(width));
            for (String page : pages) {
                bad |= check(page, readers, out, onSite);
            }
        }
        if (rolesFile != null) {
            onSite.all().forEach(role -> out.println(RoleLine.of(role)));
            bad |= onSite.all().stream().anyMatch(role -> role.verdict() == SiteRoles.Verdict.OTHER);
        }
        out.flush();
        return bad ? 1 : 0;
    }

    private List<AskedRole> askedRoles() {
        if (rolesFile == null) {
            return List.of();
        }
        try {
            return RolesFile.read(rolesFile);
        } catch (IOException e) {
            throw new ParameterException(spec.commandLine(), "--roles " + rolesFile + ": couldn't read the file", e);
        } catch (IllegalArgumentException e) {
            throw new ParameterException(spec.commandLine(), "--roles " + rolesFile + ": " + e.getMessage(), e);
        }
    }

    /** Whether something is wrong with a page. */
    private boolean check(String page, Readers readers, PrintWriter out, SiteRoles onSite) {
        boolean isAddress = page.matches("(?i)[a-z][a-z0-9+.-]*://.*");
        Path file = isAddress ? Path.of("") : Path.of(page);
        if (!isAddress && !Files.isRegularFile(file)) {
            spec.commandLine().getErr().println(page + ": there is no such file");
            return true;
        }
        PageReader reader = isAddress ? readers.ofWeb() : readers.ofFolder(file);
        PageReading reading = reader.read(isAddress ? page : LocalResources.address(file));
        if (!reading.isRead()) {
            spec.commandLine().getErr().println(page + ": " + reading.why().replaceAll("\\s+", " "));
        }
        if (rolesFile != null) {
            if (reading.isRead()) {
                onSite.add(reader.roles(reading, roles));
            }
            return !reading.isRead();
        }
        if (runs) {
            reading.runs().forEach(run -> out.println(line(page, run)));
            return !reading.isRead();
        }
        reading.findings().forEach(finding -> out.println(line(page, finding)));
        return reading.findings().stream().anyMatch(finding -> finding.kind().severity() == Severity.ERROR);
    }

    /** The readers of pages on the web and of those in each folder, which keep what their pages share. */
    private static final class Readers {
        private final Resources web;
        private final Viewport viewport;
        private final PageReader ofWeb;
        private final Map<Path, PageReader> ofFolders = new LinkedHashMap<>();

        private Readers(Resources web, Viewport viewport) {
            this.web = web;
            this.viewport = viewport;
            ofWeb = new PageReader(web, viewport);
        }

        private PageReader ofWeb() {
            return ofWeb;
        }

        private PageReader ofFolder(Path page) {
            return ofFolders.computeIfAbsent(
                    page.toAbsolutePath().getParent(),
                    folder -> new PageReader(new Remembered(new LocalResources(page, web)), viewport));
        }
    }

    private Map<String, InetSocketAddress> addresses() {
        Map<String, InetSocketAddress> addresses = new LinkedHashMap<>();
        for (String said : connectTo) {
            Matcher parts = CONNECT_TO.matcher(said);
            if (!parts.matches() || port(parts.group(2)) < 0 || port(parts.group(4)) < 0) {
                throw new ParameterException(
                        spec.commandLine(),
                        "--connect-to " + said + ": write HOST:PORT=ADDRESS:PORT, such as"
                                + " staging.client.example:443=192.0.2.7:8443");
            }
            addresses.put(
                    parts.group(1).toLowerCase(Locale.ROOT) + ":" + port(parts.group(2)),
                    InetSocketAddress.createUnresolved(
                            parts.group(3).replaceAll("^\\[|\\]$", ""), port(parts.group(4))));
        }
        return addresses;
    }

    private static int port(String digits) {
        int port = Integer.parseInt(digits);
        return port > 0 && port < 65_536 ? port : -1;
    }

    private static String line(String page, PageFinding finding) {
        return Json.object(json -> {
            json.writeStringProperty("page", page);
            json.writeStringProperty("kind", finding.kind().key());
            json.writeStringProperty("severity", finding.kind().severity().key());
            Json.optional(json, "text", finding.text());
            Json.optional(json, "path", finding.path());
            json.writeStringProperty("message", finding.message());
            Json.optional(json, "fix", finding.fix());
        });
    }

    private static String line(String page, Run run) {
        TextStyle style = run.style();
        return Json.object(json -> {
            json.writeStringProperty("page", page);
            json.writeStringProperty("text", run.text());
            json.writeStringProperty("path", run.path());
            Json.strings(
                    json,
                    "family",
                    style.families().stream().map(FamilyName::name).toList());
            Json.number(json, "weight", style.weight());
            json.writeStringProperty("slope", style.slope().key());
            Json.number(json, "width", style.width());
            Json.number(json, "size", style.usedSize());
            json.writeName("given");
            given(json, run.main());
            json.writeName("also");
            json.writeStartArray();
            run.others().forEach(given -> given(json, given));
            json.writeEndArray();
            json.writeName("rule");
            rule(json, style.familyRule());
            json.writeName("winners");
            WinnerJson.write(json, style.winners());
        });
    }

    private static void given(JsonGenerator json, Given given) {
        json.writeStartObject();
        json.writeStringProperty("family", given.family());
        Json.number(json, "weight", given.weight());
        json.writeStringProperty("slope", given.slope().key());
        Json.optional(json, "url", given.url());
        Json.strings(json, "synthesized", given.synthesized());
        json.writeStringProperty("characters", given.characters());
        json.writeEndObject();
    }

    private static void rule(JsonGenerator json, Optional<Rule> rule) {
        if (rule.isEmpty()) {
            json.writeNull();
            return;
        }
        json.writeStartObject();
        json.writeStringProperty("url", rule.get().url());
        json.writeNumberProperty("line", rule.get().line());
        json.writeStringProperty("selector", rule.get().selector());
        json.writeEndObject();
    }
}
