using System.Text;
using Yardang.Core.Activities;
using Yardang.Core.Editing;
using Yardang.Core.LateChanges;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Tests.Boards;
using Yardang.Core.Threads;
using Yardang.Core.Visibility;
using Yardang.Data.Wire;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.LateChanges;

/// <summary>An answer key that was corrected while the lesson runs stands on the boards too, and no student is ever sent it.</summary>
public class AnswerKeyTests
{
    private const long Answer = ((long)Ids.FirstDraftClient << 32) | 91;
    private const long Zone = ((long)Ids.FirstDraftClient << 32) | 60;

    private static readonly ZoneBody s_piers = new(ShapeKind.Polygon, [0, 0, 900, 0, 900, 900], Texts.In("en", "Piers"));

    private readonly BoardScript _board = new();

    [Fact]
    public void The_key_of_a_page_is_the_one_that_was_handed_out_last()
    {
        var version = With(Printed(Answer, Grip.Key, "the first answer"));
        var corrected = With(Printed(Answer, Grip.Key, "the second answer"));
        Assert.Equal("the first answer", Assert.Single(AnswerKey.Of(version, []).Marks).Words!.Text);
        Assert.Equal("the second answer", Assert.Single(AnswerKey.Of(version, [new(corrected, [1])]).Marks).Words!.Text);
        Assert.Equal("the first answer", Assert.Single(AnswerKey.Of(version, [new(corrected, [])]).Marks).Words!.Text);
    }

    [Fact]
    public void A_corrected_key_takes_the_place_of_the_one_before()
    {
        Give(Printed(Answer, Grip.Key, "the first answer"));
        Give(Printed(Answer + 1, Grip.Key, "the second answer"));
        Assert.Equal(["the second answer"], KeyOnBoard());
    }

    [Fact]
    public void What_is_expected_of_a_zone_is_corrected_and_taken_away()
    {
        var expecting = Printed(Zone, Grip.Printed, "") with { Body = s_piers with { Expected = new Expectation([], ["pier"]) }, Style = new Style(0, 0, 1) };
        _board.ByProgram(new AdoptLateChange(1, new(With(expecting), [1]), [Content()]), 1);
        Assert.Null(Expected());
        Give(expecting);
        Assert.Equal(["pier"], Expected()!.Answers);
        Give(expecting with { Body = s_piers });
        Assert.Null(Expected());
    }

    [Fact]
    public void No_student_is_sent_a_word_of_it()
    {
        Give(Printed(Answer, Grip.Key, "the answer"));
        var told = _board.Log[^1];
        Assert.Equal(Audience.Staff, told.Audience);
        Assert.False(Sight.Of(Maya, told));
        Assert.True(Sight.Of(Teacher, told));
        Assert.DoesNotContain("the answer", Encoding.UTF8.GetString(SnapshotCodec.Encode(_board.Board, Maya)), StringComparison.Ordinal);
        Assert.Contains("the answer", Encoding.UTF8.GetString(SnapshotCodec.Encode(_board.Board, Teacher)), StringComparison.Ordinal);
    }

    [Fact]
    public void What_was_printed_and_is_answer_now_comes_back_when_the_change_is_taken_back()
    {
        var now = With(Printed(PrintedTitle, Grip.Key, "First ideas"), Printed(LooseLabel, Grip.Loose, "pier"));
        _board.ByProgram(new AdoptLateChange(1, new(now, [1]), [Content()]), 1);
        Give(Printed(PrintedTitle, Grip.Key, "First ideas"));
        Assert.Equal(["First ideas"], KeyOnBoard());
        Assert.DoesNotContain(Shown(), m => m is { Grip: Grip.Printed, Body: TextBody });
        _board.ByProgram(new GiveUpLateChange(1));
        Give();
        Assert.Empty(KeyOnBoard());
        Assert.Equal("First ideas", Assert.Single(Shown(), m => m is { Grip: Grip.Printed, Body: TextBody }).Words!.Text);
    }

    [Fact]
    public void Arrows_of_the_key_follow_what_got_another_id()
    {
        var arrow = new Mark(Answer + 5, 1, 1, ByStaff: true, Grip.Key, 9, new ConnectorBody(PrintedTitle, LooseLabel, [0, 0, 1, 1]), new Style(0, 60), Place.AsDrawn, [], Erased: false);
        Give(Printed(PrintedTitle, Grip.Key, "First ideas"), arrow);
        var key = AnswerKey.On(_board.Board.Sheets).Marks;
        Assert.Equal(key.Single(m => m.Words is not null).Id, Assert.IsType<ConnectorBody>(key.Single(m => m.Words is null).Body).From);
        Assert.NotEqual(PrintedTitle, key.Single(m => m.Words is not null).Id);
    }

    [Fact]
    public void Only_the_program_sets_it_and_only_if_it_is_another_one()
    {
        var key = AnswerKey.Of(With(Printed(Answer, Grip.Key, "the answer")), []);
        Assert.Equal(Refusal.NotAllowed, _board.RefusalOf(Maya, new SetKey(key)));
        Assert.Equal(Refusal.NotAllowed, _board.RefusalOf(Teacher, new SetKey(key)));
        Assert.IsType<Decision.Accepted>(_board.ByProgram(new SetKey(key)));
        Assert.Equal(Refusal.Duplicate, Assert.IsType<Decision.Refused>(_board.ByProgram(new SetKey(key))).Reason);
    }

    [Fact]
    public void The_same_log_gives_the_same_key_and_a_snapshot_knows_it_too()
    {
        Give(Printed(Answer, Grip.Key, "the answer"), Printed(PrintedTitle, Grip.Key, "an answer"));
        _board.Draw(Maya);
        Assert.Equal(_board.Digest(), SnapshotCodec.Encode(_board.Replay(), Actor.Program));
        foreach (var envelope in _board.Log)
        {
            var bytes = EventCodec.Encode(envelope);
            Assert.Equal(bytes, EventCodec.Encode(EventCodec.Decode(bytes)));
        }
    }

    private static ActivityContent With(params Mark[] marks) => Content() with { Marks = [.. marks] };

    private void Give(params Mark[] marks) => Assert.IsType<Decision.Accepted>(_board.ByProgram(new SetKey(AnswerKey.Of(With(marks), []))));

    private IEnumerable<Mark> Shown() => _board.Board.Sheets.Visible(1);

    private IEnumerable<string> KeyOnBoard() => Shown().Where(m => m.Grip == Grip.Key).Select(m => m.Words!.Text);

    private Expectation? Expected() => ((ZoneBody)_board.Board.Sheets.Marks[Zone].Body).Expected;
}
