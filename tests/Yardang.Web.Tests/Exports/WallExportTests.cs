using System.Net;
using System.Text;
using Yardang.Core.Activities;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Core.Pages;
using Yardang.Core.Threads;
using Yardang.Core.Walls;
using Yardang.Headless.SimulatedClass;
using Yardang.Rendering;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;
using Yardang.Web.Shelf;

namespace Yardang.Web.Tests.Exports;

/// <summary>A wall on its way out: everything that stands on it, with the names that the teacher reads.</summary>
public sealed class WallExportTests : IAsyncLifetime
{
    private readonly TestSchool _school = new();
    private HttpClient _teacher = null!;
    private string _wall = "";

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public async ValueTask InitializeAsync()
    {
        (_teacher, var id) = await _school.TeacherAsync("Ilse Varga");
        var plan = new WallPlan(
            Purpose.Sort, Texts.In("en", "What do we know about bridges?").With("es", "¿Qué sabemos de los puentes?"),
            [new Topic(1, Texts.In("en", "Materials").With("es", "Materiales"), Texts.None, 0), new Topic(2, Texts.In("en", "Forces"), Texts.None, 1)], WallRules.Free);
        var activity = await _school.Get<ActivityMaking>().CreateAsync(id, ActivityContent.BlankWall("en", "Bridges") with { Parts = [new Part(1, PartKind.Wall, plan)] });
        var lesson = await _school.Get<Handing>().HandOutAsync(activity, new HandOutOrder("7 Amber", Way: Way.AllTogether), "en");
        var room = await _school.TogetherAsync(lesson);
        _wall = $"/lesson/{lesson.Id}/board/{room}";
        await using var maya = await ClassMember.JoinAsync(_school.Address, lesson.Code.Text, "Maya");
        await maya.DoAsync(new PutsUpCard(0, "=SUM(A1) is stone"), lively: false, Stop);
        await maya.DoAsync(new MovesCard(1), lively: false, Stop);
        await maya.DoAsync(new PutsUpCard(9, "a game, \"with\" bridges"), lively: false, Stop);
        await Eventually.IsAsync(() => maya.Waiting == 0);
        var wall = await _school.Get<RoomHosts>().GetAsync(room);
        var last = 0L;
        await wall.LookAsync(r => last = ((Wall)r).Cards.Keys.Last(), Stop);
        var client = ((ClientAdmitted)(await wall.SubmitAsync(new AdmitClient(), Actor.Owner, Stop)).Envelope!.Event).Number;
        await wall.SubmitAsync(new Submission(client, 1, 0, 0, new GiveAnswer(last, Ids.Of(client, 1), 0, "en", "@Which game?")), Actor.Owner, Stop);
    }

    public ValueTask DisposeAsync() => _school.DisposeAsync();

    [Fact]
    public async Task The_picture_says_the_question_the_topics_the_cards_whose_they_are_and_where_they_came_from()
    {
        var svg = await _teacher.GetStringAsync($"{_wall}.svg", Stop);
        foreach (var words in new[] { "What do we know about bridges?", "Materials", "Forces", "Fits nowhere else", "=SUM(A1) is stone", "Maya · was under Materials", "Teacher: @Which game?", "Answers to" }) Assert.Contains(words, svg, StringComparison.Ordinal);
    }

    [Fact]
    public async Task It_speaks_the_language_that_is_asked_for() => Assert.Contains("¿Qué sabemos de los puentes?", await _teacher.GetStringAsync($"{_wall}.svg?language=es", Stop), StringComparison.Ordinal);

    [Fact]
    public async Task It_is_printed_on_A4_on_A3_and_as_a_poster_of_sheets_that_are_glued_together()
    {
        Assert.All(await WidthsAsync(""), w => Assert.Equal(841, w));
        Assert.All(await WidthsAsync("?paper=a3"), w => Assert.Equal(1190, w));
        var whole = await WidthsAsync("?paper=poster");
        Assert.NotEmpty(whole);
        Assert.All(whole, w => Assert.Equal(841, w));
        Assert.All(await WidthsAsync("?paper=wallpaper"), w => Assert.Equal(841, w));

        // How wide each sheet is, in points.
        async Task<List<int>> WidthsAsync(string query)
        {
            var pdf = Encoding.Latin1.GetString(await _teacher.GetByteArrayAsync($"{_wall}.pdf{query}", Stop));
            return [.. pdf.Split("/MediaBox [0 0 ")[1..].Select(box => (int)float.Parse(box.Split(' ')[0], System.Globalization.CultureInfo.InvariantCulture))];
        }
    }

    [Fact]
    public void Sheets_of_a_poster_cover_it_and_are_not_too_many()
    {
        var random = new Random(5);
        for (var trial = 0; trial < 300; trial++)
        {
            var page = new PageSize(random.Next(5_000, 300_000), random.Next(5_000, 600_000));
            var (rows, columns, scale) = Poster.Fit(page, PageSize.A4Wide);
            Assert.InRange(rows * columns, 1, Poster.MostSheets);
            Assert.True((columns * (PageSize.A4Wide.Width - 3_000)) + 1_000 >= (int)(page.Width * scale));
            Assert.True((rows * (PageSize.A4Wide.Height - 3_000)) + 1_000 >= (int)(page.Height * scale));
            Assert.True(scale <= 1);
        }
    }

    [Fact]
    public async Task The_table_has_a_line_for_each_card_and_each_answer_and_no_formula_in_it()
    {
        var table = await _teacher.GetStringAsync($"{_wall}.csv", Stop);
        Assert.Contains("Forces,'=SUM(A1) is stone,Maya,", table, StringComparison.Ordinal);
        Assert.Contains("Fits nowhere else,\"a game, \"\"with\"\" bridges\",Maya,", table, StringComparison.Ordinal);
        Assert.Contains("Fits nowhere else,'@Which game?,Teacher,", table, StringComparison.Ordinal);
        Assert.Equal(4, table.TrimEnd().Split('\n').Length);
    }

    [Theory]
    [InlineData("pdf", "%PDF")]
    [InlineData("png", "\x89PNG")]
    public async Task It_comes_as_pages_and_as_a_picture(string format, string begins) =>
        Assert.StartsWith(begins, Encoding.Latin1.GetString(await _teacher.GetByteArrayAsync($"{_wall}.{format}", Stop)), StringComparison.Ordinal);

    [Fact]
    public async Task Ink_it_has_none() => Assert.Equal(HttpStatusCode.NotFound, (await _teacher.GetAsync($"{_wall}.inkml", Stop)).StatusCode);

    [Fact]
    public void Every_card_stands_on_a_page_whole_whatever_it_says()
    {
        string[] texts = [new string('x', 1_000), new string('\n', 998) + "y", string.Join(' ', Enumerable.Repeat("word", 200)), "ع ربي", "👩‍👩‍👧‍👦👩‍👩‍👧‍👦"];
        WallSlip[] slips = [.. Enumerable.Range(0, 60).Select(i => new WallSlip(texts[i % texts.Length], new string('n', 200)))];
        var sheet = new WallSheet(new string('q', 1_000), [new WallBand(new string('h', 120), new string('p', 1_000), 3, slips)], [("Who", [.. slips.Select(s => s.By)])], "foot", _ => null);
        foreach (var size in new[] { PageSize.A4Wide, PageSize.A4 })
        {
            var pages = WallPages.On(size, sheet);
            Assert.All(pages.SelectMany(p => p.Marks), m =>
            {
                var box = m.Body.Box();
                Assert.InRange(box.X, 0, size.Width - box.Width);
                Assert.InRange(box.Y, 0, size.Height - box.Height);
            });
            Assert.Equal(60 * texts.Average(t => t.Length), pages.SelectMany(p => p.Marks).Where(m => m.Body is Core.Marks.NoteBody).Sum(m => m.Words!.Text.Length), tolerance: 60 * 80);
        }

        Assert.InRange(PageExport.Png(WallPages.Whole(sheet), stop: Stop).Length, 1_000, 20_000_000);
    }
}
