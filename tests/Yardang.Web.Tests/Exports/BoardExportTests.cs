using System.Collections.Immutable;
using System.Net.Http.Headers;
using Yardang.Core.Activities;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Styles;
using Yardang.Web.Lessons;
using Yardang.Web.Shelf;

namespace Yardang.Web.Tests.Exports;

/// <summary>What is printed speaks the language of whoever prints, and the one that is asked for.</summary>
public sealed class BoardExportTests : IAsyncLifetime
{
    private readonly TestSchool _school = new();
    private HttpClient _teacher = null!;
    private string _board = "";

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public async ValueTask InitializeAsync()
    {
        (_teacher, var id) = await _school.TeacherAsync("Ilse Varga");
        var handing = _school.Get<Handing>();
        var making = _school.Get<ActivityMaking>();
        var blank = ActivityContent.Blank("en", "What holds a bridge up?");
        var words = new Words("far bank", "en", ["far bank"], 700, [new Translation("es", "otra orilla", ["otra orilla"], 700)]);
        ImmutableArray<Mark> marks =
        [
            Printed(1L << 52, new TextBody(1_000, 1_000, 9_000, 900, words), new Style(0, 0)),
            Printed((1L << 52) + 1, new ShapeBody(ShapeKind.Line, [2_000, 6_000, 4_500, 6_000]), new Style(0, 60, 0, Looks.ShowsSides)),
        ];
        var activity = await making.CreateAsync(id, blank with { Marks = marks, Directions = Texts.In("en", "Draw.").With("es", "Dibuja.") });
        var lesson = await handing.HandOutAsync(activity, new HandOutOrder("7 Amber"), "en");
        var (_, place) = await _school.StudentAsync(lesson.Code, "Maya");
        _board = $"/lesson/{lesson.Id}/board/{place.Split('/', '?')[2]}.svg";

        Mark Printed(long mark, MarkBody body, Style style) =>
            new(mark, blank.Pages[0].Id, 1, ByStaff: true, Grip.Printed, 1, body, style, Place.AsDrawn, [], Erased: false);
    }

    public ValueTask DisposeAsync() => _school.DisposeAsync();

    [Theory]
    [InlineData("en", "2.5 cm")]
    [InlineData("es", "2,5 cm")]
    public async Task Measures_have_the_decimal_sign_of_whoever_prints(string language, string measure)
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, _board);
        request.Headers.AcceptLanguage.Add(new StringWithQualityHeaderValue(language));
        using var answer = await _teacher.SendAsync(request, Stop);
        Assert.Contains(measure, await answer.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("", "far bank")]
    [InlineData("?language=es", "otra orilla")]
    [InlineData("?language=ar", "far bank")]
    public async Task What_the_teacher_wrote_is_printed_in_the_language_that_is_asked_for(string query, string words) =>
        Assert.Contains(words, await _teacher.GetStringAsync(_board + query, Stop), StringComparison.Ordinal);

    [Fact]
    public async Task Of_an_activity_in_several_languages_the_lesson_offers_prints_in_each() =>
        Assert.Contains("boards.pdf?language=es", await _teacher.GetStringAsync($"/lesson/{_board.Split('/')[2]}", Stop), StringComparison.Ordinal);

    [Fact]
    public void Lines_that_go_a_long_way_in_fine_dashes_cost_no_more_than_others()
    {
        var random = new Random(1);
        var page = new Page(1, Texts.None, PageSize.A4, Paper.Plain);
        Mark Polygon(int n, Looks looks) => new(
            n, 1, 2, ByStaff: false, Grip.Own, n, new ShapeBody(ShapeKind.Polygon, [.. Enumerable.Range(0, 200).Select(_ => random.Next(-200_000, 200_000))]), new Style(0, 1, 0, looks), Place.AsDrawn, [], Erased: false);
        byte[] Pdf(Looks looks) => Rendering.PageExport.Pdf([new(page, [.. Enumerable.Range(1, 40).Select(n => Polygon(n, looks))], LengthUnit.Centimetre, _ => null, "")], "x", Stop);
        Assert.InRange(Pdf(Looks.Dashed).Length, 1, 8_000_000);
    }

    [Fact]
    public async Task A_file_is_made_only_as_long_as_somebody_waits_for_it()
    {
        using var desk = new Web.Exports.ExportDesk();
        using var leaves = new CancellationTokenSource();
        var begun = new TaskCompletionSource();
        var making = desk.GiveAsync(
            stop =>
            {
                begun.SetResult();
                stop.WaitHandle.WaitOne();
                stop.ThrowIfCancellationRequested();
                return [];
            },
            "application/pdf",
            "x.pdf",
            leaves.Token);
        await begun.Task.WaitAsync(Stop);
        await leaves.CancelAsync();
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => making);
    }

    [Fact]
    public void A_very_large_page_makes_no_very_large_picture()
    {
        var page = new Page(1, Texts.None, new PageSize(200_000, 200_000), Paper.Plain);
        using var picture = SkiaSharp.SKBitmap.Decode(Rendering.PageExport.Png(new(page, [], LengthUnit.Centimetre, _ => null, ""), stop: Stop));
        Assert.InRange((long)picture.Width * picture.Height, 20_000_000, 26_000_000);
    }

    [Fact]
    public void What_was_said_aloud_carries_a_sign_on_paper_and_nothing_else_does()
    {
        var page = new Page(1, Texts.None, PageSize.A4Wide, Paper.Plain);
        var note = new Mark(1, 1, 2, ByStaff: false, Grip.Own, 1, new NoteBody(10_000, 8_000, 5_200, 5_200, new Words("Arches push", "en", ["Arches push"], 700)), new Style(0, 0), Place.AsDrawn, [], Erased: false);
        Assert.False(HasSign(note));
        Assert.True(HasSign(note with { PutBy = 1 }));

        // Over the corner, outside of the note.
        bool HasSign(Mark mark)
        {
            using var picture = SkiaSharp.SKBitmap.Decode(Rendering.PageExport.Png(new(page, [mark], LengthUnit.Centimetre, _ => null, ""), stop: Stop));
            var scale = (float)picture.Width / page.Size.Width;
            var (x, y) = ((int)(15_200 * scale), (int)(8_000 * scale));
            var reach = (int)(330 * scale);
            return Enumerable.Range(1, reach).Any(up => picture.GetPixel(x, y - up) != SkiaSharp.SKColors.White);
        }
    }
}
