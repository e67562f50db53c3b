package app.unciala.server.http;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;

/** Turns whatever a request can cause into a problem document with a sentence that helps. */
@RestControllerAdvice
class ProblemAdvice extends ResponseEntityExceptionHandler {
    private static final Logger LOG = LoggerFactory.getLogger(ProblemAdvice.class);

    @ExceptionHandler
    ProblemDetail problem(Problem problem) {
        return ProblemDetail.forStatusAndDetail(problem.status(), problem.getMessage());
    }

    @ExceptionHandler
    ProblemDetail stale(OptimisticLockingFailureException e) {
        return ProblemDetail.forStatusAndDetail(
                HttpStatus.PRECONDITION_FAILED, "Someone changed this in the meantime. Reload it and try again.");
    }

    @Override
    protected ResponseEntity<Object> handleMaxUploadSizeExceededException(
            MaxUploadSizeExceededException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        ProblemDetail body = ProblemDetail.forStatusAndDetail(
                HttpStatus.CONTENT_TOO_LARGE, "One file may have 256 MB, and one drop 1 GB in all.");
        return handleExceptionInternal(e, body, headers, HttpStatus.CONTENT_TOO_LARGE, request);
    }

    @ExceptionHandler
    ProblemDetail unforeseen(RuntimeException e) {
        if (e instanceof AccessDeniedException denied) {
            throw denied;
        }
        LOG.error("A request failed", e);
        return ProblemDetail.forStatusAndDetail(
                HttpStatus.INTERNAL_SERVER_ERROR, "The server failed; its log says why. Nothing was changed.");
    }
}
