package app.unciala.server.account;

import app.unciala.server.fault.Fault;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.github.bucket4j.Bandwidth;
import io.github.bucket4j.Bucket;
import java.time.Duration;
import java.util.Locale;
import org.springframework.stereotype.Component;

/**
 * Slows down guessing: for each account eight tries at once and then one every thirty seconds, for each address thirty
 * and then one every five seconds. A try that succeeds is given back.
 */
@Component
class SignInLimit {
    private static final int KEPT = 50_000;

    private final Cache<String, Bucket> accounts = buckets();
    private final Cache<String, Bucket> addresses = buckets();

    /** What a try took, to be given back when it succeeded. */
    record Try(Bucket account, Bucket address) {
        void succeeded() {
            account.addTokens(1);
            address.addTokens(1);
        }
    }

    /** Takes a try, or refuses it. */
    Try take(String account, String address) {
        Bucket ofAccount = accounts.get(account.toLowerCase(Locale.ROOT), name -> bucket(8, Duration.ofSeconds(30)));
        Bucket ofAddress = addresses.get(address, name -> bucket(30, Duration.ofSeconds(5)));
        if (!ofAddress.tryConsume(1)) {
            throw tooMany();
        }
        if (!ofAccount.tryConsume(1)) {
            throw tooMany();
        }
        return new Try(ofAccount, ofAddress);
    }

    private static Fault tooMany() {
        return Fault.tooMany("There were too many tries. Wait half a minute, then try again.");
    }

    private static Cache<String, Bucket> buckets() {
        return Caffeine.newBuilder()
                .maximumSize(KEPT)
                .expireAfterAccess(Duration.ofHours(1))
                .build();
    }

    private static Bucket bucket(int atOnce, Duration every) {
        return Bucket.builder()
                .addLimit(Bandwidth.builder()
                        .capacity(atOnce)
                        .refillGreedy(1, every)
                        .build())
                .build();
    }
}
