package imperan.server.store;

import java.time.Instant;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Repository;

/** Which trials run at the targets, so that one that ends with its server is told afterwards. */
@Repository
public class TrialStore {

    /**
     * A trial that the end of a server cut off.
     *
     * @param person who had begun it
     * @param cue    number of the one that it fired last
     */
    public record CutTrial(String person, Instant beganAt, String cue) {}

    @Mapper
    interface TrialMapper {

        @Insert(
                """
                insert into open_trial (show_id, list_id, person, cue) values (#{show}, #{list}, #{person}, #{cue})
                on conflict (show_id, list_id) do update
                set person = excluded.person, cue = excluded.cue, is_cut = false,
                    began_at = case when open_trial.is_cut then now() else open_trial.began_at end""")
        void at(
                @Param("show") String show,
                @Param("list") String list,
                @Param("person") String person,
                @Param("cue") String cue);

        @Delete("delete from open_trial where show_id = #{show} and list_id = #{list}")
        void ends(@Param("show") String show, @Param("list") String list);

        @Update("update open_trial set is_cut = true where not is_cut")
        void cutOff();

        @Select("select person, began_at, cue from open_trial where show_id = #{show} and list_id = #{list} and is_cut")
        Optional<CutTrial> cut(@Param("show") String show, @Param("list") String list);
    }

    private final TrialMapper mapper;

    TrialStore(TrialMapper mapper) {
        this.mapper = mapper;
    }

    /** A trial that somebody began has fired the cue of this number. */
    public void at(String show, String list, String person, String cue) {
        mapper.at(show, list, person, cue);
    }

    /** It has ended, in whatever way. */
    public void ends(String show, String list) {
        mapper.ends(show, list);
    }

    /** Those that run according to a server that is no more. */
    @EventListener(ApplicationReadyEvent.class)
    void cutOff() {
        mapper.cutOff();
    }

    /** The last one of a list, where it was cut off. */
    public Optional<CutTrial> cut(String show, String list) {
        return mapper.cut(show, list);
    }
}
