package imperan.server.api;

import imperan.check.Mending;
import imperan.check.TypedLines;
import imperan.layout.Arrangement;
import imperan.layout.drafts.Drafts;
import imperan.layout.files.LayoutFile;
import imperan.layout.files.PageShape;
import imperan.layout.placing.PhraseFamily;
import imperan.line.Coverage;
import imperan.line.FillStart;
import imperan.line.TableLine;
import imperan.live.Learning.Learned;
import imperan.live.RestLine;
import imperan.phrasebook.ExampleLine;
import imperan.plan.RigChange;
import imperan.server.capture.Captures;
import imperan.server.net.ServiceFinder;
import imperan.server.run.Shows;
import imperan.server.socket.ClientFrame;
import imperan.server.socket.ServerFrame;
import imperan.server.store.PictureStore;
import imperan.server.store.ShowStore;
import imperan.server.trial.TrialWish;
import imperan.server.work.Works;
import imperan.shaping.Sketch;
import imperan.show.EditRequest;
import imperan.show.PartId;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverters;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.servers.Server;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Describes REST and the frames of the WebSocket in one OpenAPI document, from which the web's types are made. */
@Configuration
class OpenApiSetup {

    static {
        SpringDocUtils.getConfig().replaceWithClass(PartId.class, String.class);
    }

    @Bean
    OpenAPI description() {
        return new OpenAPI()
                .servers(List.of(new Server().url("/")))
                .info(new Info()
                        .title("Imperan")
                        .version("1")
                        .description("Shows and edits over REST; touches, values, links and packets over /api/live"));
    }

    /** Adds the frames, which no path mentions, and gives every schema the shape its record really has. */
    @Bean
    @SuppressWarnings("rawtypes")
    OpenApiCustomizer frames() {
        return api -> {
            Map<String, Schema> schemas = new TreeMap<>(api.getComponents().getSchemas());
            List.of(ClientFrame.class, ServerFrame.class)
                    .forEach(type -> schemas.putAll(ModelConverters.getInstance()
                            .resolveAsResolvedSchema(new AnnotatedType(type).resolveAsRef(false))
                            .referencedSchemas));
            SchemaShapes shapes = new SchemaShapes(schemas);
            shapes.adjust(ClientFrame.class);
            shapes.adjust(ServerFrame.class);
            shapes.adjust(EditRequest.class);
            shapes.adjust(Arrangement.class);
            shapes.adjust(RigChange.class);
            List.of(
                            ShowController.EditAnswer.class,
                            PhraseFamily.class,
                            ShowStore.ShowInfo.class,
                            ShowStore.EditLine.class,
                            ShowStore.BookElsewhere.class,
                            ShowStore.KeepPoint.class,
                            Shows.Done.class,
                            Shows.Preview.class,
                            Works.WorkState.class,
                            RigController.RigView.class,
                            PhrasebookController.ReadPreview.class,
                            PhrasebookController.Reading.class,
                            NetworkController.DoorAnswer.class,
                            NetworkController.StartView.class,
                            ServiceFinder.FoundService.class,
                            PhrasebookController.Taking.class,
                            ShowController.ArrangePreview.class,
                            FillStart.class,
                            PageShape.class,
                            TableLine.class,
                            Coverage.class,
                            LineController.TablePreview.class,
                            Learned.class,
                            RestLine.class,
                            LayoutFile.LayoutPreview.class,
                            Drafts.DraftLook.class,
                            PictureStore.Named.class,
                            PictureController.Uploaded.class,
                            WhyView.class,
                            WireViews.AddressesFound.class,
                            ReadyView.class,
                            ProofController.Start.class,
                            ProofController.Ordered.class,
                            ProofController.Signing.class,
                            ProofController.Allowing.class,
                            ProofViews.PlanView.class,
                            ProofViews.ProofView.class,
                            ProofViews.ReportLine.class,
                            ProofViews.ReportView.class,
                            ProofViews.RulingView.class,
                            ProofViews.ProvedView.class,
                            ProofViews.LeftoverView.class,
                            WireViews.WireAsked.class,
                            WireViews.AddressesAsked.class,
                            WireViews.WireFound.class,
                            WireViews.WirePacket.class,
                            WireViews.PlotAsked.class,
                            WireViews.Plotted.class,
                            WireViews.GivenTo.class,
                            ExampleLine.class,
                            CaptureController.CapturesView.class,
                            CaptureController.CaptureName.class,
                            CaptureController.PlayAsked.class,
                            CaptureController.PlaybackAsked.class,
                            Captures.Loaded.class,
                            WatchView.class,
                            ReplayView.class,
                            CaptureController.ReplayAsked.class,
                            Sketch.class,
                            ShapingController.ShapingAsked.class,
                            FindingController.FindingsView.class,
                            TrackController.TrackDrop.class,
                            TrackController.TrackTaps.class,
                            TrackController.TappedBeats.class,
                            TrackController.TimeRead.class,
                            TrackController.MarkerPreview.class,
                            SoundController.SoundState.class,
                            SoundController.UnusedSound.class,
                            TrialController.CutOff.class,
                            SoundController.SoundDropped.class,
                            SoundController.SoundWave.class,
                            TrackController.TrackNudge.class,
                            TrackController.CuePaste.class,
                            CueController.CueInsert.class,
                            CueController.CueCopy.class,
                            CueController.LookRecord.class,
                            TrialView.class,
                            TrialWish.class,
                            ForwardController.ForwardStatus.class,
                            ForwardController.StepsText.class,
                            FindingController.TypedAsked.class,
                            TypedLines.TypedLine.class,
                            Mending.FindingKey.class)
                    .forEach(shapes::adjust);
            api.getComponents().setSchemas(schemas);
        };
    }
}
