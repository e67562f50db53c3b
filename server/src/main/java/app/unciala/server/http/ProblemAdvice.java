package app.unciala.server.http;

import app.unciala.server.fault.Fault;
import app.unciala.server.fault.FullDisk;
import jakarta.validation.ConstraintViolationException;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.apache.tomcat.util.http.InvalidParameterException;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.dao.PessimisticLockingFailureException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.validation.FieldError;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import tools.jackson.core.JacksonException;

/**
 * Turns whatever a request can cause into a problem document (RFC 9457) with a sentence that helps; {@code errors}
 * names the fields that are wrong.
 */
@RestControllerAdvice
class ProblemAdvice extends ResponseEntityExceptionHandler {
    private static final Logger LOG = LoggerFactory.getLogger(ProblemAdvice.class);

    /** One field that is wrong, and how. */
    record FieldProblem(String field, String message) {}

    @ExceptionHandler
    ResponseEntity<ProblemDetail> fault(Fault fault) {
        HttpStatus status =
                switch (fault.kind()) {
                    case NOT_FOUND -> HttpStatus.NOT_FOUND;
                    case INVALID -> HttpStatus.UNPROCESSABLE_CONTENT;
                    case CONFLICT -> HttpStatus.CONFLICT;
                    case STALE -> HttpStatus.PRECONDITION_FAILED;
                    case NO_VERSION -> HttpStatus.PRECONDITION_REQUIRED;
                    case UNAUTHORIZED -> HttpStatus.UNAUTHORIZED;
                    case FORBIDDEN -> HttpStatus.FORBIDDEN;
                    case TOO_MANY -> HttpStatus.TOO_MANY_REQUESTS;
                    case BUSY -> HttpStatus.SERVICE_UNAVAILABLE;
                };
        ProblemDetail problem = problem(
                status,
                fault.getMessage(),
                fault.field().stream()
                        .map(field -> new FieldProblem(field, fault.getMessage()))
                        .toList());
        HttpHeaders headers = new HttpHeaders();
        if (status == HttpStatus.TOO_MANY_REQUESTS || status == HttpStatus.SERVICE_UNAVAILABLE) {
            headers.set(HttpHeaders.RETRY_AFTER, status == HttpStatus.TOO_MANY_REQUESTS ? "30" : "5");
        }
        return ResponseEntity.status(status).headers(headers).body(problem);
    }

    @ExceptionHandler
    ProblemDetail stale(OptimisticLockingFailureException e) {
        return ProblemDetail.forStatusAndDetail(
                HttpStatus.PRECONDITION_FAILED, Fault.stale().getMessage());
    }

    @ExceptionHandler
    ProblemDetail busy(PessimisticLockingFailureException e) {
        return ProblemDetail.forStatusAndDetail(
                HttpStatus.SERVICE_UNAVAILABLE, "Other changes took too long. Nothing was changed; try again.");
    }

    @ExceptionHandler
    ProblemDetail violated(ConstraintViolationException e) {
        return invalid(e.getConstraintViolations().stream()
                .map(violation -> new FieldProblem(violation.getPropertyPath().toString(), violation.getMessage()))
                .toList());
    }

    /** What reached the database and does not fit there, such as a text beyond its column. */
    @ExceptionHandler
    ProblemDetail unfit(DataIntegrityViolationException e) {
        LOG.warn(
                "A value did not fit the database: {}", e.getMostSpecificCause().getMessage());
        return ProblemDetail.forStatusAndDetail(
                HttpStatus.UNPROCESSABLE_CONTENT, "A value is too long, or names something that is not there.");
    }

    @Override
    protected @Nullable ResponseEntity<Object> handleMethodArgumentNotValid(
            MethodArgumentNotValidException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        List<FieldProblem> fields = e.getBindingResult().getAllErrors().stream()
                .map(error -> new FieldProblem(
                        error instanceof FieldError field ? field.getField() : error.getObjectName(),
                        String.valueOf(error.getDefaultMessage())))
                .toList();
        return handleExceptionInternal(e, invalid(fields), headers, HttpStatus.UNPROCESSABLE_CONTENT, request);
    }

    @Override
    protected @Nullable ResponseEntity<Object> handleHttpMessageNotReadable(
            HttpMessageNotReadableException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        if (e.getCause() instanceof Fault fault) {
            return handleExceptionInternal(
                    e, fault(fault).getBody(), headers, HttpStatus.UNPROCESSABLE_CONTENT, request);
        }
        String field = fieldOf(e.getCause());
        String sentence = field.isEmpty()
                ? "The body is not the JSON that is expected here."
                : "“" + field + "” has a value that cannot be read.";
        List<FieldProblem> fields = field.isEmpty() ? List.of() : List.of(new FieldProblem(field, sentence));
        return handleExceptionInternal(e, problem(HttpStatus.BAD_REQUEST, sentence, fields), headers, status, request);
    }

    @Override
    protected @Nullable ResponseEntity<Object> handleMaxUploadSizeExceededException(
            MaxUploadSizeExceededException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        // The framework takes "File too large", which the disk says, for a bound of its own.
        if (FullDisk.caused(e)) {
            return handleExceptionInternal(e, fullDisk(), headers, HttpStatus.INSUFFICIENT_STORAGE, request);
        }
        ProblemDetail body = ProblemDetail.forStatusAndDetail(
                HttpStatus.CONTENT_TOO_LARGE, "One file may have 256 MB, and one drop 1 GB in all.");
        return handleExceptionInternal(e, body, headers, HttpStatus.CONTENT_TOO_LARGE, request);
    }

    @ExceptionHandler
    ProblemDetail brokenForm(MultipartException e) {
        if (FullDisk.caused(e)) {
            return fullDisk();
        }
        return ProblemDetail.forStatusAndDetail(
                HttpStatus.BAD_REQUEST, "The form could not be read to its end. Send it again.");
    }

    @ExceptionHandler
    ProblemDetail unreadable(InvalidParameterException e) {
        return ProblemDetail.forStatusAndDetail(
                HttpStatus.BAD_REQUEST, "A part of the address after “?” isn’t written in UTF-8.");
    }

    @ExceptionHandler
    ProblemDetail unforeseen(RuntimeException e) {
        if (e instanceof AccessDeniedException denied) {
            throw denied;
        }
        if (FullDisk.caused(e)) {
            LOG.error("The disk is full: {}", e.getMessage());
            return fullDisk();
        }
        LOG.error("A request failed", e);
        return ProblemDetail.forStatusAndDetail(
                HttpStatus.INTERNAL_SERVER_ERROR, "The server failed; its log says why. Nothing was changed.");
    }

    private static ProblemDetail fullDisk() {
        return ProblemDetail.forStatusAndDetail(HttpStatus.INSUFFICIENT_STORAGE, FullDisk.SENTENCE);
    }

    private static ProblemDetail invalid(List<FieldProblem> fields) {
        String sentence =
                fields.stream().map(FieldProblem::message).distinct().sorted().collect(Collectors.joining(" "));
        return problem(HttpStatus.UNPROCESSABLE_CONTENT, sentence, fields);
    }

    private static ProblemDetail problem(HttpStatus status, String sentence, List<FieldProblem> fields) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, sentence);
        if (!fields.isEmpty()) {
            problem.setProperties(Map.of("errors", fields));
        }
        return problem;
    }

    /** The path of the field that could not be read, such as {@code covers[0].familyId}. */
    private static String fieldOf(@Nullable Throwable cause) {
        if (!(cause instanceof JacksonException unread)) {
            return "";
        }
        StringBuilder path = new StringBuilder();
        unread.getPath().forEach(step -> {
            String name = step.getPropertyName();
            if (name == null) {
                path.append('[').append(step.getIndex()).append(']');
            } else {
                path.append(path.isEmpty() ? "" : ".").append(name);
            }
        });
        return path.toString();
    }
}
