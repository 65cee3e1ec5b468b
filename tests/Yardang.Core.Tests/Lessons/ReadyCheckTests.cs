using Yardang.Core.Attachments;
using Yardang.Core.Activities;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Core.Marks;
using Yardang.Core.Moderation;
using Yardang.Core.Pages;
using Yardang.Core.Tests.Walls;
using Yardang.Core.Walls;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.Lessons;

public class ReadyCheckTests
{
    private static readonly ActivityContent s_activity = Content() with { Directions = Texts.In("en", "Draw a bridge.") };

    [Fact]
    public void It_says_what_each_student_gets_when_they_work_alone_and_when_together()
    {
        Assert.Contains("OwnCopy", Keys(s_activity, Way.OneEach));
        Assert.Contains("NotSeeOthers", Keys(s_activity, Way.OneEach));
        Assert.Contains("OneForAll", Keys(s_activity, Way.AllTogether));
        Assert.Contains("SeeOthersWork", Keys(s_activity, Way.AllTogether));
    }

    [Theory]
    [InlineData(ApprovalWhen.Always, Way.AllTogether, "LooksFirst")]
    [InlineData(ApprovalWhen.OutsideHours, Way.ByGroup, "LooksFirstOutside")]
    [InlineData(ApprovalWhen.Always, Way.OneEach, null)]
    [InlineData(ApprovalWhen.Never, Way.AllTogether, null)]
    public void It_says_that_what_they_write_waits_where_several_work(ApprovalWhen when, Way way, string? key) =>
        Assert.Equal(key, ReadyCheck.For(s_activity, new HandingPlan(Door.Open, way, LooksFirst: when)).Select(l => l.Key).SingleOrDefault(k => k.StartsWith("LooksFirst", StringComparison.Ordinal)));

    [Fact]
    public void It_counts_what_is_printed_loose_and_key()
    {
        var key = s_activity.Marks[0] with { Id = 9, Grip = Grip.Key };
        var lines = ReadyCheck.For(s_activity with { Marks = s_activity.Marks.Add(key) }, new HandingPlan(Door.Open, Way.OneEach));
        Assert.Equal(2, lines.Single(l => l.Key == "PrintedStays").Count);
        Assert.Equal(1, lines.Single(l => l.Key == "FieldsAsk").Count);
        Assert.Equal(1, lines.Single(l => l.Key == "LooseMoves").Count);
        Assert.Equal(1, lines.Single(l => l.Key == "KeyHidden").Count);
    }

    [Fact]
    public void It_warns_of_what_is_usually_forgotten()
    {
        var bare = ActivityContent.Blank("en", "");
        var warnings = ReadyCheck.For(bare, new HandingPlan(Door.Closed, Way.OneEach)).Where(l => l.IsWarning).Select(l => l.Key);
        Assert.Equal(["DoorClosed", "NoName", "NoDirections", "EmptyPages"], warnings);
    }

    [Fact]
    public void It_warns_of_a_page_on_which_nobody_can_write()
    {
        var page = s_activity.Pages[0];
        var fewer = s_activity with { Pages = [page, page with { Id = 2, Withheld = ToolSet.Shape }] };
        Assert.Contains("FewerTools", Keys(fewer, Way.OneEach));
        Assert.DoesNotContain("NobodyCanWrite", Keys(fewer, Way.OneEach));
        var mute = s_activity with { Pages = [page with { Withheld = Enum.GetValues<ToolSet>().Aggregate((a, b) => a | b) }] };
        Assert.Contains("NobodyCanWrite", Keys(mute, Way.OneEach));
    }

    [Fact]
    public void It_says_on_how_many_pages_students_record_and_attach_and_which_recordings_have_no_words()
    {
        var page = s_activity.Pages[0];
        Mark Stands(long id, Attachment shown) => s_activity.Marks[0] with { Id = id, Body = new ShownBody(0, 0, 9, 9, shown) };
        var activity = s_activity with
        {
            Pages = [page with { Shows = new PageShows(AttachmentKinds.Voices | AttachmentKinds.Links, 60) }, page with { Id = 7, Shows = new PageShows(AttachmentKinds.Voices, 30) }, page with { Id = 8, Shows = null }],
            Marks = [.. s_activity.Marks, Stands(11, Shown.Voice), Stands(12, Shown.Film with { Words = " " }), Stands(13, Shown.Link with { Title = "" })],
        };
        var lines = ReadyCheck.For(activity, new HandingPlan(Door.Open, Way.OneEach)).ToDictionary(l => l.Key, StringComparer.Ordinal);
        Assert.Equal(2, lines["PageShowVoices"].Count);
        Assert.Equal(1, lines["PageShowLinks"].Count);
        Assert.DoesNotContain("PageShowFilms", lines.Keys);
        Assert.Equal(12, lines["UndescribedRecordings"].Mark);
        Assert.DoesNotContain(Keys(s_activity with { Pages = [page with { Shows = null }] }, Way.OneEach), key => key.StartsWith("PageShow", StringComparison.Ordinal));
    }

    [Fact]
    public void It_says_what_of_a_board_that_all_share_is_too_small_for_the_last_row()
    {
        Mark Printed(long id, int size, Scale? scale = null) => s_activity.Marks[0] with { Id = id, Grip = Grip.Printed, Scale = scale, Body = new TextBody(0, 0, 9_000, 900, new Words("Spans", "en", ["Spans"], size)) };
        var least = (int)Math.Ceiling(Legibility.TypeOn(s_activity.Pages[0].Size));
        var activity = s_activity with { Marks = [Printed(11, least), Printed(12, least / 2, new Scale(2_100, 2_100)), Printed(13, least - 1), Printed(14, least, new Scale(900, 900))] };
        var line = ReadyCheck.For(activity, new HandingPlan(Door.Open, Way.AllTogether)).Single(l => l.Key == "TooSmallForAll");
        Assert.Equal((2, 13), (line.Count, line.Mark));
        Assert.DoesNotContain("TooSmallForAll", Keys(activity, Way.OneEach));
        Assert.DoesNotContain("TooSmallForAll", Keys(activity, Way.ByGroup));
    }

    [Fact]
    public void It_leads_to_the_first_place_that_was_forgotten()
    {
        Mark Stands(long id, MarkBody body) => s_activity.Marks[0] with { Id = id, Body = body };
        Assert.DoesNotContain(ReadyCheck.For(s_activity, new HandingPlan(Door.Open, Way.OneEach)), l => l.Key == "UnnamedFields");
        var unasked = s_activity with { Marks = s_activity.Marks.Add(s_activity.Marks[0] with { Id = 12, Body = new AnswerFieldBody(0, 0, 9_000, 1_800, Texts.None) }) };
        Assert.Equal(12, Assert.Single(ReadyCheck.For(unasked, new HandingPlan(Door.Open, Way.OneEach)), l => l.Key == "UnnamedFields").Mark);
        var named = new ZoneBody(ShapeKind.Ellipse, [0, 0, 900, 900], Texts.In("en", "Stiff"), Expected: Expectation.None with { Answers = ["triangle"] });
        var activity = s_activity with
        {
            Directions = Texts.In("en", "Draw a {kind} of bridge for {place}."),
            Pages = [s_activity.Pages[0], s_activity.Pages[0] with { Id = 7 }],
            Marks = [.. s_activity.Marks, Stands(11, named), Stands(12, named with { Name = Texts.None, Expected = null }), Stands(13, new PictureBody(0, 0, 9, 9, new string('a', 64), " "))],
        };
        var forgotten = ReadyCheck.For(activity, new HandingPlan(Door.Open, Way.OneEach)).Where(l => l.IsWarning).ToDictionary(l => l.Key, StringComparer.Ordinal);
        Assert.Equal("kind, place", forgotten["Unfilled"].Names);
        Assert.Equal(7, forgotten["EmptyPages"].Page);
        Assert.Equal(12, forgotten["UnnamedZones"].Mark);
        Assert.Equal(12, forgotten["ZonesExpectNothing"].Mark);
        Assert.Equal(13, forgotten["UndescribedPictures"].Mark);
    }

    [Fact]
    public void Of_a_wall_it_says_who_puts_up_what_who_reads_it_and_what_each_owes()
    {
        var wall = WallOf(WallScript.Plan(new(2, 5)));
        Assert.Superset(Set("OneWall", "PutUpUnder", "LeastCards", "MostCards", "OnlyTheirCards", "SeeAllCards", "NamesSeenOnWall"), Set([.. Keys(wall, Way.AllTogether)]));
        Assert.Superset(Set("GroupWall", "SeeGroupsCards"), Set([.. Keys(wall, Way.ByGroup)]));
        Assert.Superset(Set("OwnWall", "NotSeeOtherWalls", "NamesAlone"), Set([.. Keys(wall, Way.OneEach)]));
        Assert.DoesNotContain("WriteDrawTypeNote", Keys(wall, Way.AllTogether));
        var ownFirst = WallOf(WallScript.Plan(new(OwnFirst: true)));
        Assert.Contains("OwnCardsFirst", Keys(ownFirst, Way.AllTogether));
        Assert.DoesNotContain("SeeAllCards", Keys(ownFirst, Way.AllTogether));

    }

    [Fact]
    public void Of_a_wall_it_warns_of_what_is_not_said_and_of_masks_on_cards_that_all_see_at_once()
    {
        var plan = WallScript.Plan();
        var bare = WallOf(plan with { Question = Texts.None, Topics = [plan.Topics[0], plan.Topics[1] with { Heading = Texts.None }] });
        Assert.Equal(["NoQuestion", "TopicsWithoutHeading", "TopicsWithoutPrompt"], Warnings(bare, masked: false, Way.AllTogether).Select(l => l.Key));
        Assert.All(Warnings(bare, masked: false, Way.AllTogether).Skip(1), l => Assert.Equal((12, 1), ((int)l.Topic!, l.Count)));
        Assert.Contains("MaskedAndSeenAtOnce", Warnings(WallOf(plan), masked: true, Way.AllTogether).Select(l => l.Key));
        Assert.DoesNotContain("MaskedAndSeenAtOnce", Warnings(WallOf(plan), masked: true, Way.OneEach).Select(l => l.Key));

        // Places that a colleague fills in, and other languages, are of walls too.
        var asked = WallOf(plan with { Question = Texts.In("en", "What do we know about {subject}?").With("es", "¿Qué sabemos?") });
        Assert.Equal("subject", Warnings(asked, masked: false, Way.AllTogether).Single(l => l.Key == "Unfilled").Names);
        Assert.Contains("Untranslated", Warnings(asked, masked: false, Way.AllTogether).Select(l => l.Key));
    }

    [Fact]
    public void Of_several_parts_it_says_of_each_what_happens_there_and_leads_to_its_place()
    {
        var plan = WallScript.Plan();
        var activity = s_activity with
        {
            Pages = [s_activity.Pages[0], s_activity.Pages[0] with { Id = 7, Part = 3, Withheld = (ToolSet)int.MaxValue }],
            Parts = [Part.Pages with { Name = Texts.In("en", "Think alone") }, new Part(2, PartKind.Wall, plan with { Question = Texts.None }, Way: Way.AllTogether), new Part(3, PartKind.Pages, Way: Way.ByGroup)],
        };
        var lines = ReadyCheck.For(activity, new HandingPlan(Door.Open, Way.OneEach, OneByOne: true));
        Assert.Equal(3, lines.Single(l => l.Key == "PartsOneByOne").Count);
        Assert.Equal([1, 2, 3], lines.Where(l => l.Key is "OwnCopy" or "OneWall" or "GroupCopy").Select(l => l.Part!.Value));
        Assert.Equal(2, lines.Single(l => l.Key == "NoQuestion").Part);
        Assert.Equal((7, 3), (lines.Single(l => l.Key == "NobodyCanWrite").Page, lines.Single(l => l.Key == "NobodyCanWrite").Part));
        Assert.Equal(2, lines.Single(l => l.Key == "PartsWithoutName").Count);
        Assert.Contains("GroupsWithoutList", lines.Select(l => l.Key));
        Assert.Contains("NamesSeenOnWall", lines.Select(l => l.Key));
        Assert.Contains("PartsAllOpen", ReadyCheck.For(activity, new HandingPlan(Door.Open, Way.OneEach)).Select(l => l.Key));
    }

    [Fact]
    public void What_will_not_be_read_from_the_last_row_is_said()
    {
        var plan = WallScript.Plan();
        string[] Warnings(WallPlan of) => [.. ReadyCheck.For(WallOf(of), new HandingPlan(Door.Open, Way.AllTogether)).Where(l => l.IsWarning).Select(l => l.Key)];
        Assert.DoesNotContain("QuestionTooLong", Warnings(plan));
        var wordy = plan with { Question = Texts.In("en", new string('a', 200)), Topics = [plan.Topics[0] with { Heading = Texts.In("en", new string('b', 80)) }, .. plan.Topics.Skip(1)] };
        Assert.Contains("QuestionTooLong", Warnings(wordy));
        Assert.Contains("HeadingsTooLong", Warnings(wordy));
    }

    [Fact]
    public void Of_a_shared_board_it_says_that_students_can_talk_about_it_and_not_where_that_is_withheld()
    {
        string[] Lines(ActivityContent of, Way way) => [.. ReadyCheck.For(of, new HandingPlan(Door.Open, way)).Select(l => l.Key)];
        Assert.Contains("TalkAbout", Lines(s_activity, Way.AllTogether));
        Assert.DoesNotContain("TalkAbout", Lines(s_activity, Way.OneEach));
        Assert.DoesNotContain("TalkAbout", Lines(s_activity with { Pages = [.. s_activity.Pages.Select(p => p with { Withheld = ToolSet.Answer })] }, Way.AllTogether));
    }

    [Fact]
    public void Of_a_wall_to_ask_it_speaks_of_questions_and_misses_no_topics()
    {
        var plan = WallScript.Plan(new(2, 5, Answers: true)) with { Purpose = Purpose.Ask, Topics = [WallScript.Plan().Topics[1]] };
        Assert.Superset(Set("AskQuestions", "LeastQuestions", "MostQuestions", "OnlyTheirQuestions", "OthersAnswer", "SeeAllQuestions", "YouSeeAllQuestions"), Set([.. Keys(WallOf(plan), Way.AllTogether)]));
        Assert.Contains("OwnQuestionsFirst", Keys(WallOf(plan with { Rules = new(OwnFirst: true) }), Way.AllTogether));
        Assert.DoesNotContain(Warnings(WallOf(plan), masked: false, Way.AllTogether), l => l.Key.StartsWith("Topics", StringComparison.Ordinal));
    }

    [Fact]
    public void Of_a_wall_to_visit_it_finds_stations_that_show_nothing_or_show_it_without_words()
    {
        var plan = WallScript.Plan(new(Stations: 3)) with { Purpose = Purpose.Visit };
        var shows = plan with { Topics = [plan.Topics[0] with { Shown = [Shown.Picture with { Description = "" }] }, plan.Topics[1] with { Heading = Texts.None }] };
        Assert.Superset(Set("VisitStations", "AtStations"), Set([.. Keys(WallOf(shows), Way.AllTogether)]));
        var warnings = Warnings(WallOf(shows), masked: false, Way.AllTogether).ToDictionary(l => l.Key);
        Assert.Equal(11, warnings["UndescribedStations"].Topic);
        Assert.Equal(12, warnings["EmptyStations"].Topic);
        Assert.Equal(12, warnings["StationsWithoutHeading"].Topic);
        Assert.Contains("MoreStations", warnings.Keys);
        Assert.Contains("NoStations", Warnings(WallOf(plan with { Topics = [] }), masked: false, Way.AllTogether).Select(l => l.Key));
    }

    [Fact]
    public void Of_a_wall_to_order_it_says_who_places_and_finds_what_cannot_be_placed()
    {
        var plan = WallScript.Plan(new(OnlyGiven: true)) with { Purpose = Purpose.Order };
        var keys = Keys(WallOf(plan with { GivenCards = [new(1, 0, Texts.In("en", "An arch"))] }), Way.AllTogether);
        Assert.Superset(Set("PlaceCards", "PlaceAlone", "OnlyGiven"), Set([.. keys]));
        Assert.DoesNotContain("OnlyTheirCards", keys);
        Assert.Contains("PlaceTogether", Keys(WallOf(plan with { Line = LinePlan.Blank with { Together = true } }), Way.AllTogether));
        Assert.Superset(Set("NothingToPlace", "EndsWithoutName"), Set([.. Warnings(WallOf(plan), masked: false, Way.AllTogether).Select(l => l.Key)]));
        var named = plan with { Line = new(LineKind.Years, Texts.None, Texts.None, 1700, 2000), Rules = WallRules.Free, GivenCards = [new(1, 0, Texts.None)] };
        var warnings = Warnings(WallOf(named), masked: false, Way.AllTogether).Select(l => l.Key).ToList();
        Assert.Contains("EmptyGiven", warnings);
        Assert.DoesNotContain("EndsWithoutName", warnings);
        Assert.DoesNotContain("NothingToPlace", warnings);
    }

    [Fact]
    public void Of_a_wall_to_connect_it_says_who_may_join_what_and_finds_words_that_say_nothing()
    {
        var plan = WallScript.Plan() with { Purpose = Purpose.Connect };
        Assert.Superset(Set("ConnectCards", "LinkAnyWords", "OnlyTheirCards"), Set([.. Keys(WallOf(plan), Way.AllTogether)]));
        var strict = plan with { Rules = new(OnlyGiven: true), Field = new([new(1, Texts.None), new(2, Texts.In("en", "pushes on"))], OnlyThese: true, OwnOnly: true, AnyMoves: true, Picture: Tests.Walls.Shown.Map with { Description = " " }) };
        Assert.Superset(Set("LinkOnlyWords", "LinkOwnCards", "AnyMoves"), Set([.. Keys(WallOf(strict), Way.AllTogether)]));
        var warnings = Warnings(WallOf(strict), masked: false, Way.AllTogether).Select(l => l.Key).ToList();
        Assert.Superset(Set("NothingToLink", "EmptyLinkWords", "UndescribedField"), Set([.. warnings]));
        Assert.DoesNotContain("NothingToPlace", warnings);
        Assert.DoesNotContain("EmptyLinkWords", Warnings(WallOf(plan), masked: false, Way.AllTogether).Select(l => l.Key));
    }

    private static ActivityContent WallOf(WallPlan plan) => ActivityContent.BlankWall("en", "What we know about bridges") with { Parts = [new Part(1, PartKind.Wall, plan)] };

    [Fact]
    public void It_says_who_comes_in_and_how()
    {
        Assert.Contains("DoorOpen", Keys(new HandingPlan(Door.Open, Way.OneEach)));
        Assert.Contains("ClassList", Keys(new HandingPlan(Door.Open, Way.OneEach, HasList: true)));
        Assert.DoesNotContain("DoorOpen", Keys(new HandingPlan(Door.Open, Way.OneEach, HasList: true)));
        Assert.Contains("ClassListAsks", Keys(new HandingPlan(Door.Ask, Way.OneEach, HasList: true)));
        Assert.Contains("Password", Keys(new HandingPlan(Door.Open, Way.OneEach, HasPassword: true)));
    }

    [Fact]
    public void It_says_when_and_warns_of_a_time_that_nobody_will_see()
    {
        Assert.Contains("StaysOpen", Keys(new HandingPlan(Door.Open, Way.OneEach)));
        var keys = Keys(new HandingPlan(Door.Open, Way.OneEach, Times: new LessonTimes(1, 2, 3, HandsIn: true))).ToList();
        Assert.All(["Opens", "HandsInDue", "Closes"], key => Assert.Contains(key, keys));
        Assert.Contains("DueButNotHandedIn", Keys(new HandingPlan(Door.Open, Way.OneEach, Times: new LessonTimes(DueAt: 2))));
    }

    [Fact]
    public void Groups_can_be_made_before_anybody_comes_only_with_a_class_list()
    {
        Assert.Contains("GroupsWithoutList", Keys(new HandingPlan(Door.Open, Way.ByGroup)));
        Assert.DoesNotContain("GroupsWithoutList", Keys(new HandingPlan(Door.Open, Way.ByGroup, HasList: true)));
    }

    private static IReadOnlyList<ReadyLine> Warnings(ActivityContent wall, bool masked, Way way) => [.. ReadyCheck.For(wall, new HandingPlan(Door.Open, way, masked)).Where(l => l.IsWarning)];

    private static HashSet<string> Set(params string[] keys) => [.. keys];

    private static IEnumerable<string> Keys(HandingPlan plan) => ReadyCheck.For(s_activity, plan).Select(l => l.Key);

    private static IEnumerable<string> Keys(ActivityContent activity, Way way) => ReadyCheck.For(activity, new HandingPlan(Door.Open, way)).Select(l => l.Key);
}
