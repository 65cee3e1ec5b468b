using Yardang.Core.Attachments;
using Yardang.Core.Boards;
using Yardang.Core.Bringing;
using Yardang.Core.Editing;
using Yardang.Core.Marks;
using Yardang.Core.Media;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Moderation;
using Yardang.Core.Styles;
using Yardang.Core.Tests.Moderation;
using Yardang.Core.Tests.Walls;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.Boards;

/// <summary>What students record and attach on pages: only what their teacher gave there, and nothing in its place later.</summary>
public class ShownOnPagesTests
{
    private readonly BoardScript _board = new();

    public static TheoryData<string, bool> Kinds() => new() { { "voice", true }, { "link", true }, { "film", false }, { "file", false } };

    [Theory]
    [MemberData(nameof(Kinds))]
    public void A_student_puts_on_a_page_what_the_teacher_gave_there_and_a_teacher_everything(string kind, bool isGiven)
    {
        var shown = Each(kind);
        if (isGiven) Accepted(Maya, Put(Maya, shown));
        else Assert.Equal(Refusal.Withheld, _board.RefusalOf(Maya, Put(Maya, shown)));
        Accepted(Teacher, Put(Teacher, shown));
    }

    [Fact]
    public void Where_nothing_was_given_students_put_nothing()
    {
        var content = Content();
        var sheets = new Board(content with { Pages = [content.Pages[0] with { Shows = null }] }).Sheets;
        foreach (var kind in new[] { "voice", "link", "film", "file" })
        {
            var decision = Marking.Decide(sheets, new AddMark(Ids.Of(9, 1), 1, Grip.Own, Body(Each(kind)), new Style(0, 0)), Maya, 9, design: false);
            Assert.Equal(Refusal.Withheld, Assert.IsType<Decision.Refused>(decision).Reason);
        }
    }

    [Fact]
    public void A_student_speaks_no_longer_than_the_page_lets_and_a_teacher_as_long_as_anybody_may()
    {
        var (most, beyond) = (Shown.Voice with { Duration = 60_000 + Recordings.Tolerance }, Shown.Voice with { Duration = 60_001 + Recordings.Tolerance });
        Accepted(Maya, Put(Maya, most));
        Assert.Equal(Refusal.Withheld, _board.RefusalOf(Maya, Put(Maya, beyond)));
        Accepted(Teacher, Put(Teacher, beyond));
    }

    [Fact]
    public void Its_author_says_it_otherwise_and_nobody_puts_something_else_in_its_place()
    {
        var id = _board.NextId(Maya);
        Accepted(Maya, Put(Maya, Shown.Voice));
        MakeChanges Made(Attachment shown) => new([new Remaking(id, Body(shown))]);
        Accepted(Maya, Made(Shown.Voice with { Words = "It pushes outwards" }));
        Assert.Equal(Refusal.OutOfRange, _board.RefusalOf(Maya, Made(Shown.Film)));
        Assert.Equal(Refusal.OutOfRange, _board.RefusalOf(Maya, Made(Shown.Voice with { Media = new('9', 64) })));
        Assert.Equal(Refusal.OutOfRange, _board.RefusalOf(Maya, Made(Shown.Voice with { Duration = 90_000 })));
        Assert.Equal(Refusal.NotYours, _board.RefusalOf(Ben, Made(Shown.Voice with { Words = "not mine" })));
    }

    [Fact]
    public void What_it_says_is_read_by_the_word_screen()
    {
        var screened = new BoardScript { Allowed = FoundWordsTests.Then(WhenFound.Refuse) };
        AddMark Says(Attachment shown) => new(screened.NextId(Maya), 1, Grip.Own, Body(shown), new Style(0, 0));
        Assert.Equal(Refusal.Words, screened.RefusalOf(Maya, Says(Shown.Voice with { Words = "Oh shit it fell" })));
        Assert.Equal(Refusal.Words, screened.RefusalOf(Maya, Says(Shown.Link with { Title = "Shit" })));
        Assert.IsType<Decision.Accepted>(screened.Do(Maya, Says(Shown.Voice)));
    }

    [Fact]
    public void Taken_to_a_wall_it_is_what_it_was()
    {
        var mark = new Mark(7, 1, 2, ByStaff: false, Grip.Own, 1, Body(Shown.Film), new Style(0, 0), Place.AsDrawn, [], Erased: false);
        Assert.Contains(Shown.Film, BroughtCard.Of([mark], _ => null)!.Attachments);
    }

    [Fact]
    public void Of_its_files_those_are_named_that_it_shows_and_without_them_it_is_not_shown()
    {
        var body = Body(Shown.Film);
        Assert.Equal([Shown.Film.Media, Shown.Film.Still], body.MediaNames());
        Assert.Null(body.WithMedia(new Dictionary<string, string>(StringComparer.Ordinal)));
        var renamed = Assert.IsType<ShownBody>(body.WithMedia(new Dictionary<string, string>(StringComparer.Ordinal) { [Shown.Film.Media] = new('1', 64), [Shown.Film.Still] = new('2', 64) }));
        Assert.Equal([new('1', 64), new('2', 64)], renamed.MediaNames());
    }

    private static Attachment Each(string kind) => kind switch { "voice" => Shown.Voice, "link" => Shown.Link, "film" => Shown.Film, _ => Shown.File };

    private static ShownBody Body(Attachment shown) => new(0, 0, 8_000, 2_717, shown);

    private void Accepted(Actor actor, Command command) => Assert.IsType<Decision.Accepted>(_board.Do(actor, command));

    private AddMark Put(Actor actor, Attachment shown) => new(_board.NextId(actor), 1, Grip.Own, Body(shown), new Style(0, 0));
}
