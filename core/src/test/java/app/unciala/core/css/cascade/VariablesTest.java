package app.unciala.core.css.cascade;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class VariablesTest {
    private static final String MARKS = "/\\*\\*/";

    @Test
    void valuesAreThoseOfAnyOrderOfDeclaration() {
        Random random = new Random(9);
        for (int round = 0; round < 200; round++) {
            int count = 2 + random.nextInt(8);
            Map<String, String> declared = new HashMap<>();
            String[] expected = new String[count];
            for (int i = 0; i < count; i++) {
                // Each refers only to those before it, so that what it stands for can be written down at once.
                int of = i == 0 ? -1 : random.nextInt(i);
                declared.put("--v" + i, of < 0 ? "a" + i : "b" + i + " var(--v" + of + ")");
                expected[i] = of < 0 ? "a" + i : "b" + i + " " + expected[of];
            }
            Variables variables = Variables.NONE.with(declared, Map.of(), Map.of());
            for (int i = 0; i < count; i++) {
                assertThat(plain(variables, "--v" + i)).isEqualTo(expected[i]);
            }
        }
    }

    @Test
    void whatRefersToItselfHasNoValueAndItsFallbackCounts() {
        Variables variables = Variables.NONE.with(Map.of("--c", "c", "--d", "var(--d)"), Map.of(), Map.of());
        assertThat(variables.value("--d")).isEmpty();
        assertThat(variables
                        .substituted("var(--d, var(--none, 3px))")
                        .orElseThrow()
                        .replaceAll(MARKS, ""))
                .isEqualTo("3px");
        assertThat(variables.substituted("var(--none)")).isEmpty();
        assertThat(variables.substituted("var(--none,)").orElseThrow().replaceAll(MARKS, ""))
                .isEmpty();
        assertThat(variables.substituted("calc(1px + var(--c))").orElseThrow().replaceAll(MARKS, ""))
                .isEqualTo("calc(1px + c)");
        assertThat(variables.substituted("var(1px)")).isEmpty();
        assertThat(variables.substituted("var(")).isEmpty();
        assertThat(variables
                        .substituted("env(safe-area-inset-top)")
                        .orElseThrow()
                        .replaceAll(MARKS, ""))
                .isEqualTo("0px");
    }

    /** What browsers say of --a, where the parent has --p and --a, which are {@code p} and {@code q}. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            nullValues = "nothing",
            value = {
                "--a: var(--a)                                     | nothing",
                "--a: var(--a, x)                                  | nothing",
                "--a: var(--none, var(--a, x))                     | nothing",
                "--a: var(--b); --b: var(--a, x)                   | nothing",
                "--a: var(--b, x); --b: var(--c); --c: var(--b, y) | x",
                "--a: var(--b) z; --b: var(--c, x); --c: var(--c)  | x z",
                "--a: var(--p, var(--b)); --b: var(--a)            | p",
                "--a: var(--none, var(--b)); --b: var(--a, x)      | nothing",
                "--a: var(--b); --b: inherit                       | nothing",
                "--a: var(--b, x); --b: inherit                    | x",
                "--a: inherit; --p: var(--a)                       | q",
                "--a: unset                                        | q",
                "--b: var(--a); --a: initial                       | nothing",
            })
    void whatIsInACycleHasNoValueWhateverItsFallbacks(String css, @Nullable String expected) {
        Variables parent = Variables.NONE.with(Map.of("--p", "p", "--a", "q"), Map.of(), Map.of());
        Map<String, String> declared = new HashMap<>();
        for (String one : css.split(";")) {
            declared.put(one.split(":")[0].strip(), one.split(":")[1].strip());
        }
        Variables variables = parent.with(declared, Map.of(), Map.of());
        assertThat(variables.value("--a").map(value -> value.replaceAll(MARKS, "")))
                .isEqualTo(Optional.ofNullable(expected));
    }

    @Test
    void whatAnElementDoesNotDeclareItInherits() {
        Variables parent = Variables.NONE.with(Map.of("--a", "one", "--b", "two"), Map.of(), Map.of());
        Variables child =
                parent.with(Map.of("--a", "initial", "--c", "var(--b)", "--b", "inherit"), Map.of(), Map.of());
        assertThat(child.value("--a")).isEmpty();
        assertThat(plain(child, "--b")).isEqualTo("two");
        assertThat(plain(child, "--c")).isEqualTo("two");
        assertThat(plain(parent, "--a")).as("the parent keeps its own").isEqualTo("one");
        assertThat(parent.with(Map.of(), Map.of(), Map.of())).isSameAs(parent);
    }

    private static String plain(Variables variables, String name) {
        return variables.value(name).orElseThrow().replaceAll(MARKS, "");
    }
}
