package imperan.server.api;

import imperan.shaping.ShapingStep;
import imperan.shaping.Sketch;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.ScaleMark;
import java.util.List;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** What the steps of a shaping do, for whoever looks at them. It changes nothing and belongs to no show. */
@RestController
class ShapingController {

    /**
     * @param shaping  the steps, as they are or as somebody is about to make them
     * @param type     of the argument
     * @param position where the control stands, 0 to 1
     * @param marks    of the control's own scale
     */
    record ShapingAsked(List<ShapingStep> shaping, ArgumentType type, double position, List<ScaleMark> marks) {}

    @PostMapping("/api/shaping")
    Sketch sketch(@RequestBody ShapingAsked asked) {
        boolean whole = asked.type() == ArgumentType.INT32 || asked.type() == ArgumentType.INT64;
        return Sketch.of(
                asked.shaping(),
                Math.max(0, Math.min(1, asked.position())),
                whole,
                asked.marks().stream()
                        .map(mark -> new Sketch.Named(mark.value(), mark.text()))
                        .toList());
    }
}
