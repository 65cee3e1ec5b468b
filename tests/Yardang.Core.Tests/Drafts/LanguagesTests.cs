using System.Collections.Immutable;
using Yardang.Core.Activities;
using Yardang.Core.Drafts;
using Yardang.Core.Editing;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Tests.Boards;
using Yardang.Data.Wire;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.Drafts;

/// <summary>An activity that speaks several languages; its marks keep their ids, so that results add up.</summary>
public class LanguagesTests
{
    private static readonly Texts s_starter = Texts.In("en", "I think").With("es", "Creo que");

    [Fact]
    public void An_activity_speaks_the_languages_of_all_its_texts()
    {
        Assert.Equal(["en"], Languages.In(Content()));
        Assert.Equal(["ar", "en", "es"], Languages.In(Content() with { Directions = Texts.In("ar", "ارسم جسرا"), Marks = [Translated("es")] }));
    }

    [Fact]
    public void What_is_missing_in_one_of_them_is_counted_and_the_answer_key_is_nobodys_to_read()
    {
        var both = Content() with { Name = Texts.In("en", "Bridges").With("es", "Puentes"), Directions = Texts.In("en", "Draw.").With("es", "Dibuja."), Marks = [Translated("es")] };
        Assert.Equal(0, Languages.Missing(both));
        Assert.Equal(0, Languages.Missing(Content()));
        Assert.Equal(1, Languages.Missing(both with { Marks = both.Marks.Add(Printed(90, Grip.Printed, "far bank")) }));
        Assert.Equal(0, Languages.Missing(both with { Marks = both.Marks.Add(Printed(90, Grip.Key, "the answer")) }));
        Assert.Equal(1, Languages.Missing(both with { Pages = [both.Pages[0] with { Starters = [Texts.In("en", "I think")] }] }));
    }

    [Fact]
    public void A_mark_is_read_in_a_language_and_as_it_was_written_where_it_does_not_speak_it()
    {
        Assert.Equal("Primeras ideas", Languages.ReadIn(Translated("es"), "es", "en").Words!.Text);
        Assert.Equal("First ideas", Languages.ReadIn(Translated("es"), "ar", "en").Words!.Text);
        Assert.Equal("First ideas", Languages.ReadIn(Translated("es"), null, "en").Words!.Text);
        var zone = Printed(90, Grip.Printed, "") with { Body = new ZoneBody(ShapeKind.Polygon, [0, 0, 9, 0, 9, 9], Texts.In("en", "Piers").With("es", "Pilares").With("ar", "دعامات")) };
        string NameIn(string? language) => ((ZoneBody)Languages.ReadIn(zone, language, "en").Body).Name.ByLanguage.Values.Single();
        Assert.Equal("Pilares", NameIn("es"));
        Assert.Equal("Piers", NameIn("fi"));
        Assert.Equal("Piers", NameIn(null));
    }

    [Fact]
    public void The_ready_check_says_so()
    {
        var activity = Content() with { Directions = Texts.In("en", "Draw.").With("es", "Dibuja.") };
        var lines = ReadyCheck.For(activity, new HandingPlan(Door.Open, Way.OneEach));
        Assert.Equal(2, lines.Single(l => l.Key == "Languages").Count);
        Assert.Equal(4, lines.Single(l => l.Key == "Untranslated").Count);
    }

    [Fact]
    public void Words_in_several_languages_and_starters_survive_the_wire_and_the_archive()
    {
        var content = Content() with { Pages = [Content().Pages[0] with { Starters = [s_starter] }], Marks = [Translated("es", "ar")] };
        Assert.True(ActivityJson.AreSame(content, ActivityJson.Read(ActivityJson.Write(content))));
        var board = new Core.Boards.Board(content);
        var restored = new Core.Boards.Board(Content());
        SnapshotCodec.Restore(SnapshotCodec.Encode(board, Actor.Program), restored);
        Assert.Equal("Creo que", restored.Sheets.Pages[0].Starters!.Value[0].For("es"));
        Assert.Equal(["es", "ar"], restored.Sheets.Marks[PrintedTitle].Words!.Also!.Value.Select(a => a.Language));
    }

    [Fact]
    public void A_language_stands_once_in_a_mark()
    {
        var board = new BoardScript();
        Change Says(params string[] languages) => new Wording(LooseLabel, ((TextBody)Translated(languages).Body).Words, 9_000, 900);
        Assert.IsType<Decision.Accepted>(board.Do(Teacher, new MakeChanges([Says("es", "ar")])));
        Assert.Equal(Refusal.OutOfRange, board.RefusalOf(Teacher, new MakeChanges([Says("es", "es")])));
        Assert.Equal(Refusal.OutOfRange, board.RefusalOf(Teacher, new MakeChanges([Says("en")])));
    }

    [Fact]
    public void Starters_are_the_teachers_and_undone_like_anything_else()
    {
        var draft = new Draft();
        Take(draft, new StartDraft(Content()), Actor.Program, 0);
        Take(draft, new AdmitClient(), Actor.Owner, 0);
        Take(draft, new MakeChanges([new Starting(1, [s_starter])]), Actor.Owner, 1);
        Assert.Equal("I think", draft.Sheets.Pages[0].Starters!.Value[0].For("en"));
        Take(draft, new UndoGesture(draft.Sheets.Journal.NextUndo(1)!.Id), Actor.Owner, 2);
        Assert.Null(draft.Sheets.Pages[0].Starters);
        Assert.Equal(Refusal.NotAllowed, new BoardScript().RefusalOf(Maya, new MakeChanges([new Starting(1, [s_starter])])));
    }

    private static void Take(Draft draft, Command command, Actor actor, int counter)
    {
        var client = counter == 0 ? 0 : draft.Clients.Keys.Max();
        var submission = new Submission(client, counter, Math.Max(0, counter - 1), counter == 0 ? 0 : Ids.Of(client, counter), command);
        var accepted = Assert.IsType<Decision.Accepted>(draft.Decide(submission, actor, Situation.Open));
        draft.Apply(new Envelope(draft.Number + 1, 1, actor, client, counter, submission.Gesture, accepted.Audience, accepted.Event));
    }

    private static Mark Translated(params string[] languages)
    {
        var mark = Printed(PrintedTitle, Grip.Printed, "First ideas");
        ImmutableArray<Translation> also = [.. languages.Select(l => new Translation(l, "Primeras ideas", ["Primeras ideas"], 650))];
        return mark with { Body = ((TextBody)mark.Body) with { Words = Say("First ideas") with { Also = also } } };
    }
}
