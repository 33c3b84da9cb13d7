package imperan.server.api;

import imperan.server.work.Works;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** How far requests are that take long, and their end where nobody waits for them any more. */
@RestController
@RequestMapping("/api/work/{id}")
class WorkController {

    /** The header by which a request is asked about; a random text that its browser made. */
    static final String HEADER = "Imperan-Work";

    private final Works works;

    WorkController(Works works) {
        this.works = works;
    }

    /** Nothing where it has not begun, and where it is over. */
    @GetMapping
    List<Works.WorkState> state(@PathVariable("id") String id) {
        return works.state(id).stream().toList();
    }

    /** What it was to change is not changed, unless it was over before; its own answer says which. */
    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void cancel(@PathVariable("id") String id) {
        works.cancel(id);
    }
}
