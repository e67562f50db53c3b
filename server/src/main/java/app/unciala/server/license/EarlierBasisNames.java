package app.unciala.server.license;

import app.unciala.core.license.Basis;
import com.fasterxml.jackson.annotation.JsonAlias;
import org.springframework.boot.jackson.JacksonMixin;

/** The names under which clients of earlier versions send two of the bases. */
@JacksonMixin(Basis.class)
enum EarlierBasisNames {
    @JsonAlias("FREE")
    OPEN,
    @JsonAlias("PER_DOMAIN")
    BOUGHT
}
