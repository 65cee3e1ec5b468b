using System.IO.Compression;
using System.Text.Json;
using System.Text.Json.Nodes;
using Json.Schema;
using Yardang.Core.Activities;
using Yardang.Core.Cupboard;
using Yardang.Core.Ink;
using Yardang.Core.Interchange;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;

namespace Yardang.Web.Tests.Shelf;

/// <summary>docs/archive.schema.json says what is written, no more and no less.</summary>
public class ArchiveSchemaTests
{
    private static readonly JsonSchema s_schema = JsonSchema.FromText(File.ReadAllText(Path.Combine(Repository(), "docs", "archive.schema.json")));
    private static readonly string s_media = new('a', 64);

    public static TheoryData<string> Archives =>
    [
        .. Directory.GetFiles(Path.Combine(Repository(), "src", "Yardang.Web", "Demo"), "*.yardang.zip").Select(f => Path.GetFileName(f)!),
    ];

    [Theory]
    [MemberData(nameof(Archives))]
    public void The_archives_of_the_demo_are_as_it_says(string file)
    {
        using var zip = ZipFile.OpenRead(Path.Combine(Repository(), "src", "Yardang.Web", "Demo", file));
        using var entry = zip.GetEntry(ActivityArchive.ActivityEntry)!.Open();
        Assert.Equal("", Faults(JsonNode.Parse(entry)!));
    }

    [Fact]
    public void Every_template_is_as_it_says()
    {
        foreach (var template in Templates.All) Assert.Equal("", Faults(JsonNode.Parse(ActivityJson.Write(template.Content("en", text => text)))!));
    }

    [Fact]
    public void A_mark_of_every_kind_with_everything_set_and_the_work_of_a_lesson_are_as_it_says()
    {
        var words = new Words("Stiff", "en", ["Stiff"], 700);
        MarkBody[] bodies =
        [
            new InkBody([new InkPoint(0, 0, 128, 0), new InkPoint(50, 60, 130, 12)]),
            new TextBody(0, 0, 900, 700, words),
            new NoteBody(0, 0, 900, 700, words),
            new BubbleBody(0, 0, 900, 700, words, -300, 2_000),
            new ShapeBody(ShapeKind.Arc, [0, 0, 100, 100, 200, 0]),
            new PictureBody(0, 0, 900, 700, s_media, "A truss", "Load: 5 kN"),
            new FormulaBody(0, 0, 900, 700, "a^2", "M0 0L10 10Z"),
            new StampBody(0, 0, 900, 900, "star"),
            new ConnectorBody(1, 2, [0, 0, 500, 0], words),
            new ZoneBody(ShapeKind.Ellipse, [0, 0, 900, 900], Texts.In("en", "Stiff"), ZoneRule.Half, new Expectation([1], ["triangle"], 1, 3)),
        ];
        var marks = bodies.Select((body, i) => new Mark(i + 1, 1, 1, ByStaff: true, Grip.Loose, i, body, new Style(1, 60, 2, (Looks)4_095), new Place(1, -2, 35_999), [10, 20], Erased: false, new Scale(500, 2_000), Pinned: true, Tie: 9));
        var pages = Enum.GetValues<PaperKind>().Select((kind, i) => new Page(
            i + 1, Texts.In("en", "Measure"), PageSize.A4Wide, new Paper(kind, 500, new Axis(0, 10_000, 500), new Axis(0, 9_000, 500), 3, 4, kind == PaperKind.Picture ? s_media : null),
            Texts.In("ar", "ارسم جسرا"), (ToolSet)255, new Stimulus(StimulusKind.Link, "https://ostlebrook.example/bridge", "The old bridge")));
        var activity = new ActivityContent(Texts.In("en", "Triangles"), Texts.None, [.. pages], [.. marks], LengthUnit.Inch);
        Assert.Equal("", Faults(JsonNode.Parse(ActivityJson.Write(activity))!));

        var work = new ArchivedWork("Triangles", "7 Amber", DateTimeOffset.UnixEpoch, Way.AllTogether, [new ArchivedPerson(2, "Maya")], [new ArchivedBoard([2], activity.Pages, activity.Marks)]);
        Assert.Equal("", Faults(JsonNode.Parse(ActivityJson.WriteWork(work))!));
    }

    [Theory]
    [InlineData("$.activity.pages", "[]")]
    [InlineData("$.activity.colour", "1")]
    [InlineData("$.activity.unit", "\"furlong\"")]
    [InlineData("$.format", "2")]
    public void It_is_not_content_with_anything(string place, string value)
    {
        var file = JsonNode.Parse(ActivityJson.Write(ActivityContent.Blank("en", "Triangles")))!;
        var steps = place.Split('.')[1..];
        var at = steps[..^1].Aggregate(file, (node, step) => node[step]!);
        at[steps[^1]] = JsonNode.Parse(value);
        Assert.NotEqual("", Faults(file));
    }

    private static string Faults(JsonNode file)
    {
        var result = s_schema.Evaluate(JsonSerializer.SerializeToElement(file), new EvaluationOptions { OutputFormat = OutputFormat.List });
        return result.IsValid ? "" : string.Join('\n', result.Details.Where(d => d.HasErrors).Select(d => $"{d.InstanceLocation}: {string.Join(' ', d.Errors!.Values)}")) + "\ninvalid";
    }

    private static string Repository()
    {
        var folder = AppContext.BaseDirectory;
        while (!File.Exists(Path.Combine(folder, "Yardang.slnx"))) folder = Path.GetDirectoryName(folder)!;
        return folder;
    }
}
