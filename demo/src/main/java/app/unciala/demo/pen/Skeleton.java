package app.unciala.demo.pen;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * The line a pen follows for one character, in a box of ink {@code width} units wide. {@code sides} says how much
 * room is left beside it. Commands: M and L as usual, C a cubic, H and V quarter ellipses that start level or
 * upright, O an ellipse in a box, D a diagonal with level ends, P a dot on its lowest y, B a ball, Z closes.
 */
record Skeleton(int codePoint, double width, String sides, List<Command> commands) {
    record Command(char verb, double[] at) {}

    static Map<Integer, Skeleton> read(String resource) {
        Map<Integer, Skeleton> all = new LinkedHashMap<>();
        try (InputStream in = Skeleton.class.getResourceAsStream(resource)) {
            if (in == null) {
                throw new IllegalStateException("no resource " + resource);
            }
            BufferedReader lines = new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8));
            for (String line = lines.readLine(); line != null; line = lines.readLine()) {
                if (!line.isBlank() && !isComment(line)) {
                    Skeleton skeleton = parse(line);
                    all.put(skeleton.codePoint(), skeleton);
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return all;
    }

    private static boolean isComment(String line) {
        return line.startsWith("# ") && !Character.isDigit(line.charAt(2));
    }

    private static Skeleton parse(String line) {
        String[] words = line.trim().split(" +");
        int codePoint =
                words[0].startsWith("U+") ? Integer.parseInt(words[0].substring(2), 16) : words[0].codePointAt(0);
        List<Command> commands = new ArrayList<>();
        for (int i = 3; i < words.length; ) {
            char verb = words[i++].charAt(0);
            int count = "MLPHV".indexOf(verb) >= 0 ? 2 : verb == 'C' ? 6 : verb == 'B' ? 3 : verb == 'Z' ? 0 : 4;
            double[] at = new double[count];
            for (int j = 0; j < count; j++) {
                at[j] = Double.parseDouble(words[i++]);
            }
            commands.add(new Command(verb, at));
        }
        return new Skeleton(codePoint, Double.parseDouble(words[1]), words[2], commands);
    }
}
