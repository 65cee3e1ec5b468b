using System.Collections.Immutable;
using Yardang.Core.Activities;
using Yardang.Core.Editing;
using Yardang.Core.LateChanges;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Tests.Boards;
using Yardang.Data.Wire;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.LateChanges;

/// <summary>What is handed out while students work: it never harms what they have done, and can be taken back.</summary>
public class AdoptionTests
{
    private const long SecondPage = ((long)Ids.FirstDraftClient << 32) | 50;
    private const long Zone = ((long)Ids.FirstDraftClient << 32) | 60;

    private readonly BoardScript _board = new();

    [Fact]
    public void A_new_page_comes_with_its_marks_where_the_activity_has_it()
    {
        var last = new Page(SecondPage + 1, Texts.None, PageSize.A4, Paper.Plain);
        Adopt(1, With(content => content with { Pages = content.Pages.Add(last) }), last.Id);
        Adopt(2, With(content => content with
        {
            Pages = [content.Pages[0], new Page(SecondPage, Texts.In("en", "Build it"), PageSize.A4, Paper.Plain), last],
            Marks = content.Marks.Add(Printed(70, Grip.Printed, "deck") with { Page = SecondPage }),
        }), SecondPage);
        Assert.Equal([1, SecondPage, last.Id], _board.Board.Sheets.Pages.Select(p => p.Id));
        Assert.Equal("deck", Assert.Single(_board.Board.Sheets.Visible(SecondPage)).Words!.Text);
        Assert.Equal(SecondPage, _board.Board.Adopted[2].Page);
    }

    [Fact]
    public void A_corrected_printed_layer_takes_the_place_of_the_old_one_and_leaves_what_students_wrote()
    {
        var ink = _board.Draw(Maya);
        Adopt(1, With(content => content with { Marks = [Printed(PrintedTitle, Grip.Printed, "First ideas, corrected"), Printed(80, Grip.Printed, "new label")] }), 1);
        var seen = _board.Board.Sheets.Visible(1).ToList();
        Assert.Equal(["First ideas, corrected", "new label"], seen.Select(m => m.Words?.Text).OfType<string>());
        Assert.Contains(seen, m => m.Id == ink);
        Assert.DoesNotContain(seen, m => m.Id == LooseLabel);
        Assert.Equal(ink, seen[^1].Id);
    }

    [Fact]
    public void Also_what_is_printed_by_a_second_change_lies_under_what_students_wrote()
    {
        var ink = _board.Draw(Maya);
        var first = With(content => content with { Marks = content.Marks.Add(Printed(80, Grip.Printed, "new label") with { Order = 5 }) }, 1);
        var second = first with { Activity = first.Activity with { Marks = first.Activity.Marks.Add(Printed(81, Grip.Printed, "another") with { Order = 6 }) } };
        _board.ByProgram(new AdoptLateChange(1, first, [Content()]), 1);
        _board.ByProgram(new AdoptLateChange(2, second, [Content(), first.Activity]), 2);
        Assert.Equal([80, 81, ink], _board.Board.Sheets.Visible(1).Select(m => m.Id).TakeLast(3));
    }

    [Fact]
    public void A_loose_mark_that_a_student_moved_keeps_its_place_and_takes_the_new_words()
    {
        _board.Do(Ben, new MakeChanges([new Placed(LooseLabel, new Place(700, 0, 0))]));
        Adopt(1, Moved(LooseLabel, "abutment"), 1);
        var label = _board.Board.Sheets.Marks[LooseLabel];
        Assert.Equal(700, label.Place.X);
        Assert.Equal("abutment", label.Words!.Text);
    }

    [Fact]
    public void A_loose_mark_that_nobody_moved_goes_where_the_teacher_put_it()
    {
        Adopt(1, Moved(LooseLabel, "pier"), 1);
        Assert.Equal(4_000, _board.Board.Sheets.Marks[LooseLabel].Place.X);
    }

    [Fact]
    public void Marks_attached_to_something_that_was_taken_out_keep_it()
    {
        var note = _board.NextId(Maya);
        _board.Do(Maya, new AddMark(note, 1, Grip.Own, new NoteBody(9_000, 9_000, 4_000, 4_000, Say("here")), new Style(0, 0)));
        _board.Do(Maya, new AddMark(_board.NextId(Maya), 1, Grip.Own, new ConnectorBody(note, LooseLabel, [0, 0, 1, 1]), new Style(0, 60)));
        Adopt(1, With(content => content with { Marks = content.Marks.RemoveAll(m => m.Id == LooseLabel) }), 1);
        Assert.False(_board.Board.Sheets.Marks[LooseLabel].Erased);
    }

    [Fact]
    public void An_answer_field_that_was_answered_is_not_taken_away_and_takes_its_answer_along_where_it_is_put()
    {
        var answer = _board.NextId(Maya);
        _board.Do(Maya, new AddMark(answer, 1, Grip.Own, new FieldAnswerBody(AnswerField, 0, 0, 9_000, 1_150, Say("the ground")), new Style(0, 0)));
        double Top() => _board.Board.Sheets.Visible(1).Single(m => m.Id == answer).Body.Box().Y;
        var before = Top();
        Adopt(1, With(content => content with { Marks = [.. content.Marks.Select(m => m.Id == AnswerField ? m with { Place = new Place(0, 2_500, 0) } : m)] }), 1);
        Assert.Equal(before + 2_500, Top());
        Adopt(2, With(content => content with { Marks = content.Marks.RemoveAll(m => m.Id == AnswerField) }), 1);
        Assert.True(_board.Board.Sheets.Marks[AnswerField].Stands);
    }

    [Fact]
    public void Taken_back_everything_is_as_before_but_what_students_did_since()
    {
        var before = _board.Seen();
        Adopt(1, With(content => content with { Marks = [Printed(PrintedTitle, Grip.Printed, "Wrong"), Printed(80, Grip.Printed, "new label")] }), 1);
        _board.ByProgram(new GiveUpLateChange(1));
        Assert.Equal(before, _board.Seen());
        Assert.True(_board.Board.Adopted[1].GivenUp);

        Adopt(2, Moved(LooseLabel, "abutment"), 1);
        _board.Do(Ben, new MakeChanges([new Placed(LooseLabel, new Place(700, 0, 0))]));
        _board.ByProgram(new GiveUpLateChange(2));
        Assert.Equal("pier", _board.Board.Sheets.Marks[LooseLabel].Words!.Text);
        Assert.Equal(700, _board.Board.Sheets.Marks[LooseLabel].Place.X);
    }

    [Fact]
    public void A_page_on_which_somebody_has_written_stays_when_it_is_taken_back()
    {
        LateContent Page(long id) => With(content => content with { Pages = content.Pages.Add(new Page(id, Texts.None, PageSize.A4, Paper.Plain)) }, id);
        _board.ByProgram(new AdoptLateChange(1, Page(SecondPage), [Content()]), 1);
        _board.ByProgram(new AdoptLateChange(2, Page(SecondPage + 1), [Content()]), 2);
        _board.Do(Maya, new AddMark(_board.NextId(Maya), SecondPage, Grip.Own, Line(0, 0, 900, 0), new Style(0, 60)));
        _board.ByProgram(new GiveUpLateChange(1));
        _board.ByProgram(new GiveUpLateChange(2));
        Assert.Equal([1, SecondPage], _board.Board.Sheets.Pages.Select(p => p.Id));
    }

    [Fact]
    public void A_page_that_a_student_has_made_longer_stays_as_long()
    {
        var size = _board.Board.Sheets.Pages[0].Size;
        _board.Do(Maya, new MakeChanges([new Sizing(1, size with { Height = size.Height + 5_000 })]));
        Adopt(1, With(content => content with { Pages = [content.Pages[0] with { Name = Texts.In("en", "Ideas") }] }), 1);
        Assert.Equal(size.Height + 5_000, _board.Board.Sheets.Pages[0].Size.Height);
        Assert.Equal("Ideas", _board.Board.Sheets.Pages[0].Name.For("en"));
    }

    [Fact]
    public void Nothing_is_said_of_the_answer_key()
    {
        var zone = new ZoneBody(ShapeKind.Polygon, [0, 0, 900, 0, 900, 900], Texts.In("en", "Piers"), Expected: new Expectation([LooseLabel], ["pier"]));
        var earlier = Content() with { Marks = [Printed(Zone, Grip.Printed, "") with { Body = zone, Style = new Style(0, 0, 1) }] };
        var board = new Core.Boards.Board(earlier);
        var later = earlier with { Marks = [Printed(Zone, Grip.Printed, "") with { Body = zone with { Name = Texts.In("en", "Pillars"), Expected = new Expectation([], ["pillar"]) }, Style = new Style(0, 0, 1) }, Printed(91, Grip.Key, "the answer")] };
        foreach (var (command, gesture) in new (Command, long)[] { (new AdoptLateChange(1, new(later, [1]), [earlier]), 1), (new GiveUpLateChange(1), 0) })
        {
            var accepted = Assert.IsType<Decision.Accepted>(board.Decide(new Submission(0, 0, 0, gesture, command), Actor.Program, Situation.Open));
            var envelope = new Envelope(board.Number + 1, 1, Actor.Program, 0, 0, gesture, accepted.Audience, accepted.Event);
            board.Apply(envelope);
            foreach (var bytes in new[] { EventCodec.Encode(envelope), SnapshotCodec.Encode(board, Maya) })
            {
                var sent = System.Text.Encoding.UTF8.GetString(bytes);
                Assert.DoesNotContain("the answer", sent);
                Assert.DoesNotContain("pillar", sent);
                Assert.DoesNotContain("pier", sent);
            }

            Assert.Equal(["pier"], ((ZoneBody)board.Sheets.Marks[Zone].Body).Expected!.Answers);
        }
    }

    [Fact]
    public void Marks_alone_come_on_top_and_only_on_pages_that_are_there()
    {
        _board.Draw(Maya);
        ImmutableArray<Mark> marks = [Printed(100, Grip.Loose, "counter"), Printed(101, Grip.Loose, "elsewhere") with { Page = 77 }];
        _board.ByProgram(new AdoptLateChange(1, new(new ActivityContent(Texts.None, Texts.None, [], marks), []), [Content()]), 1);
        Assert.Equal(100, _board.Board.Sheets.Visible(1).Last().Id);
        Assert.DoesNotContain(101, _board.Board.Sheets.Marks.Keys);
    }

    [Fact]
    public void Only_the_program_brings_a_change_and_only_once()
    {
        Adopt(1, Moved(LooseLabel, "abutment"), 1);
        Assert.Equal(Refusal.Duplicate, Assert.IsType<Decision.Refused>(_board.ByProgram(new AdoptLateChange(1, Moved(LooseLabel, "again"), [Content()]), 1)).Reason);
        Assert.Equal(Refusal.NotAllowed, _board.RefusalOf(Teacher, new AdoptLateChange(2, Moved(LooseLabel, "again"), [Content()])));
        Assert.Equal(Refusal.NotAllowed, _board.RefusalOf(Maya, new GiveUpLateChange(1)));
    }

    [Fact]
    public void The_same_log_gives_the_same_board_and_a_snapshot_knows_it_too()
    {
        _board.Draw(Maya);
        Adopt(1, With(content => content with { Marks = [Printed(PrintedTitle, Grip.Printed, "Corrected")] }), 1);
        _board.Draw(Ben);
        _board.ByProgram(new GiveUpLateChange(1));
        Assert.Equal(_board.Digest(), SnapshotCodec.Encode(_board.Replay(), Actor.Program));
        var restored = new Core.Boards.Board(Content());
        SnapshotCodec.Restore(_board.Digest(), restored);
        Assert.Equal(_board.Digest(), SnapshotCodec.Encode(restored, Actor.Program));
    }

    [Fact]
    public void The_workshop_is_compared_page_by_page_with_what_everybody_has()
    {
        var now = Content() with
        {
            Pages = [.. Content().Pages, new Page(SecondPage, Texts.In("en", "Build it"), PageSize.A4, Paper.Plain)],
            Marks = [Printed(PrintedTitle, Grip.Printed, "Corrected"), Printed(80, Grip.Printed, "new label"), Printed(81, Grip.Printed, "deck") with { Page = SecondPage }],
        };
        Assert.Empty(Revision.Of(Content(), [], Content()));
        var revisions = Revision.Of(Content(), [], now);
        Assert.Equal([(1, false, 1, 1, 2), (SecondPage, true, 1, 0, 0)], revisions.Select(r => (r.Page, r.IsNew, r.Added, r.Changed, r.Removed)));
        Assert.Equal([SecondPage], Revision.Of(Content(), [new(now, [1])], now).Select(r => r.Page));
    }

    private static LateContent With(Func<ActivityContent, ActivityContent> change, params long[] pages) => new(change(Content()), [.. pages]);

    private static LateContent Moved(long label, string words) => With(
        content => content with { Marks = [.. content.Marks.Select(m => m.Id == label ? m with { Place = new Place(4_000, 0, 0), Body = ((TextBody)m.Body) with { Words = Say(words) } } : m)] }, 1);

    private void Adopt(int number, LateContent content, params long[] pages) =>
        Assert.IsType<Decision.Accepted>(_board.ByProgram(new AdoptLateChange(number, content with { Pages = [.. pages] }, [Content()]), number));
}
