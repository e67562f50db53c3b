package app.unciala.core.fetch;

import app.unciala.core.page.Resources;
import java.util.LinkedHashMap;
import java.util.Map;

/** Answers for style sheets and fonts that several pages of one check share, each asked for once. */
public final class Remembered implements Resources {
    private static final long MOST_BYTES = 100_000_000;

    private final Resources resources;
    private final Map<String, Resource> known = new LinkedHashMap<>();
    private long bytes;

    public Remembered(Resources resources) {
        this.resources = resources;
    }

    @Override
    public Resource get(String url, Use use) {
        if (use == Use.PAGE || use == Use.LIST) {
            return resources.get(url, use);
        }
        Resource answer = known.get(url);
        if (answer == null) {
            answer = resources.get(url, use);
            bytes += answer.bytes().length;
            if (bytes <= MOST_BYTES) {
                known.put(url, answer);
            }
        }
        return answer;
    }
}
