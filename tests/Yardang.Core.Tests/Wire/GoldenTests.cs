using System.Text.Encodings.Web;
using System.Text.Json;
using Yardang.Core.Activities;
using Yardang.Core.Ink;
using Yardang.Core.LateChanges;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Shapes;
using Yardang.Core.Tests.Boards;
using Yardang.Core.Tests.Interchange;
using Yardang.Core.Tests.Shapes;
using Yardang.Data.Wire;
using static Yardang.Core.Tests.Boards.BoardScript;

namespace Yardang.Core.Tests.Wire;

/// <summary>
/// The vectors in tests/golden, which the browser's code runs too. They change only on purpose: write them anew with YARDANG_GOLDEN=write.
/// </summary>
public class GoldenTests
{
    /// <summary>tests/golden.</summary>
    internal static readonly string Folder = FindFolder();

    private static readonly JsonSerializerOptions s_options = new() { Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };
    private static readonly int[] s_actors = [1, 2, 3];

    [Fact]
    public void Ink_outlines() => Check("ink", Strokes().Select(points => new
    {
        points = Flat(points),
        width = 80,
        polygons = InkOutline.Of([.. points], 80).Select(p => p.SelectMany(c => new[] { Math.Round(c.X, 3), Math.Round(c.Y, 3) })),
    }));

    [Fact]
    public void Cuts() => Check("cuts", Strokes().SelectMany((points, i) => Enumerable.Range(0, 6).Select(k =>
    {
        var (x, y, radius) = (points[k * 3 % points.Length].X + (k * 90), points[k * 3 % points.Length].Y - (i * 20), 350 + (k * 60));
        var cuts = Stroke.UnderEraser([.. points], x, y, radius);
        System.Collections.Immutable.ImmutableArray<int> earlier = [k * 100, (k * 100) + 450];
        var together = CutIntervals.Union(cuts, earlier);
        return new
        {
            points = Flat(points),
            x,
            y,
            radius,
            cuts,
            earlier,
            together,
            left = CutIntervals.Remaining(together, Stroke.Length([.. points])),
            parts = Stroke.Remaining([.. points], together).Select(p => Flat([.. p])),
        };
    })));

    [Fact]
    public void Archives() => Check("archives", ArchiveVectors.All());

    [Fact]
    public void Boards() => Check("boards", Enumerable.Range(1, 12).Select(seed =>
    {
        var board = new BoardScript();
        var from = board.Log.Count;
        var start = board.Digest();
        Play(board, new Random(seed));
        PlayLateChange(board, takenBack: seed % 3 == 0);
        return new
        {
            start,
            events = board.Log.Skip(from).Select(EventCodec.Encode),
            end = board.Digest(),
            undo = s_actors.ToDictionary(a => a, a => board.Board.Sheets.Journal.NextUndo(a)?.Id),
            redo = s_actors.ToDictionary(a => a, a => board.Board.Sheets.Journal.NextRedo(a)?.Id),
        };
    }));

    [Fact]
    public void Undo() => Check("undo", Enumerable.Range(20, 12).Select(seed =>
    {
        var board = new BoardScript();
        Play(board, new Random(seed));
        board.Draw(Maya);
        board.Do(Maya, new MakeChanges([new Placed(LooseLabel, new Place(10, 0, 0))]));
        if (seed % 2 == 0) board.Do(Ben, new MakeChanges([new Placed(LooseLabel, new Place(20, 0, 0))]));
        var gesture = board.LastGesture(Maya);
        var before = board.Digest();
        board.Undo(Maya);
        return new { before, actor = Maya.Number, gesture, @event = EventCodec.Encode(board.Log[^1]) };
    }));

    [Fact]
    public void Colours() => Check("palette", new { ink = Palette.Ink, note = Palette.Note, highlighter = Palette.Highlighter, teacherInk = Palette.TeacherInk, print = Palette.Print });

    [Fact]
    public void Rulings() => Check("rulings", Papers().Select(p => new
    {
        kind = p.Kind,
        spacing = p.Spacing,
        across = p.Across is null ? null : new[] { p.Across.From, p.Across.To, p.Across.Step },
        up = p.Up is null ? null : new[] { p.Up.From, p.Up.To, p.Up.Step },
        columns = p.Columns,
        rows = p.Rows,
        ruling = Ruling.Of(p, new PageSize(9_000, 7_000)) is var r ? new { lines = r.Lines, strong = r.Strong, dots = r.Dots, labels = r.Labels.Select(l => new object[] { l.X, l.Y, l.Text }) } : null,
    }));

    [Fact]
    public void Shapes() => Check("shapes", ShapeVectors.All().Select(v =>
    {
        var mark = new Mark(1, 1, 2, ByStaff: false, Grip.Own, 1, v.Shape, new Style(0, 60), v.Place, [], Erased: false, v.Scale);
        var measures = ShapeMeasures.Of(v.Shape, v.Scale);
        return new
        {
            shape = (int)v.Shape.Shape,
            points = v.Shape.Points,
            place = new[] { v.Place.X, v.Place.Y, v.Place.Turn },
            scale = v.Scale is { } s ? new[] { s.X, s.Y } : null,
            corners = MarkGeometry.Corners(v.Shape).Select(c => MarkGeometry.OnPage(mark, c)).SelectMany(c => new[] { Math.Round(c.X, 3), Math.Round(c.Y, 3) }),
            bounds = MarkGeometry.BoundsOf(mark) is var b ? new[] { Math.Round(b.X, 3), Math.Round(b.Y, 3), Math.Round(b.Width, 3), Math.Round(b.Height, 3) } : null,
            figure = Figures.Of(v.Shape, v.Scale).ToString(),
            sides = measures.Sides.Select(x => Math.Round(x, 4)),
            angles = measures.Angles.Select(x => Math.Round(x, 4)),
            perimeter = Math.Round(measures.Perimeter, 4),
            area = Math.Round(measures.Area, 4),
            labels = new[] { LengthUnit.Centimetre, LengthUnit.Inch }.Select(unit => MeasureLabels.Of(v.Shape, v.Scale, Looks.ShowsSides | Looks.ShowsAngles | Looks.ShowsPerimeter | Looks.ShowsArea, unit)
                .Select(l => new object[] { Math.Round(l.X, 3), Math.Round(l.Y, 3), l.Text })),
        };
    }));

    [Fact]
    public void Objects() => Check("objects", ObjectVectors.Bodies().Select(body =>
    {
        var mark = new Mark(9, 1, 1, ByStaff: true, Grip.Printed, 3, body, new Style(2, 60, 1, Looks.ArrowAtEnd), Place.AsDrawn, [], Erased: false);
        var envelope = new Envelope(1, 2, Actor.Owner, 1, 1, 9, Audience.Everyone, new MarkAdded(mark));
        return new { kind = body.GetType().Name[..^4].ToLowerInvariant(), added = EventCodec.Encode(envelope) };
    }));

    [Fact]
    public void Connectors() => Check("connectors", ObjectVectors.Boxes().SelectMany(_ => ObjectVectors.Boxes(), (from, to) => new
    {
        from = new[] { from.X, from.Y, from.Width, from.Height },
        to = new[] { to.X, to.Y, to.Width, to.Height },
        points = ConnectorPath.Between(from, to),
    }));

    private static IEnumerable<Paper> Papers()
    {
        foreach (var kind in Enum.GetValues<PaperKind>()) yield return new Paper(kind);
        yield return new Paper(PaperKind.Squared, 1_000);
        yield return new Paper(PaperKind.CoordinatePlane, 0, new Axis(-500, 4_250, 500), new Axis(2_000, 12_000, 2_500));
        yield return new Paper(PaperKind.NumberLine, 0, new Axis(-1_000, 1_000, 250));
        yield return new Paper(PaperKind.Table, Columns: 7, Rows: 2);
    }

    private static void Play(BoardScript board, Random random)
    {
        for (var step = 0; step < 60; step++)
        {
            var actor = new[] { Maya, Ben, Teacher }[random.Next(3)];
            board.Conditions = new Conditions(PensDown: step is > 30 and < 38);
            var marks = board.Board.Sheets.Marks.Keys.Order().ToList();
            var mark = marks[random.Next(marks.Count)];
            switch (random.Next(12))
            {
                case 0: board.Do(actor, new MakeChanges([new Placed(mark, new Place(random.Next(900), step, 0))])); break;
                case 1: board.Do(actor, new MakeChanges([new Cutting(mark, [step * 10, (step * 10) + 300])])); break;
                case 2 when board.Board.Sheets.Journal.NextUndo(actor.Number) is { } undo: board.Do(actor, new UndoGesture(undo.Id), 0); break;
                case 3 when board.Board.Sheets.Journal.NextRedo(actor.Number) is { } redo: board.Do(actor, new RedoGesture(redo.Id), 0); break;
                case 4: board.Do(actor, new AddMark(board.NextId(actor), 1, Grip.Own, new NoteBody(step, step, 5200, 5200, Say($"idea {step}")), new Style(1, 0))); break;
                case 8:
                    var first = board.NextId(actor);
                    board.Do(actor, new AddMarks(1, [New(first, step), New(first + 1_000_000, step)]));
                    break;
                case 9: board.Do(actor, new MakeChanges([new Scaling(mark, step % 3 == 0 ? null : new Scale(1_200, 900)), new Tying(mark, step % 4)])); break;
                case 10: board.Do(actor, new MakeChanges([new Ordering(mark, step / 2.0), new Pinning(mark, step % 2 == 0)])); break;
                case 11: board.Do(actor, new MakeChanges([new Styling(mark, new Style(step % 6, 60, step % 5, Looks.Dashed | Looks.ArrowAtEnd)), .. Regripped(board, actor, mark, step)])); break;
                case 5 when board.Board.SetAside.Count > 0: board.Do(Teacher, new AcceptLateWork(board.Board.SetAside.Keys.First()), 0); break;
                default: board.Do(actor, new AddMark(board.NextId(actor), 1, Grip.Own, Line(step * 10, 0, 2000, step * 30), new Style(0, 60))); break;
            }
        }
    }

    private static void PlayLateChange(BoardScript board, bool takenBack)
    {
        var page = Ids.Of(Ids.FirstDraftClient, 90);
        var content = Content() with
        {
            Pages = [.. Content().Pages.Select(p => p with { Name = Texts.In("en", "Ideas") }), new Page(page, Texts.In("en", "Build it"), PageSize.A4, new Paper(PaperKind.Squared))],
            Marks = [Printed(PrintedTitle, Grip.Printed, "First ideas, and why"), Printed(page + 1, Grip.Printed, "deck") with { Page = page }],
        };
        board.ByProgram(new AdoptChange(1, new ChangeContent(content, [.. content.Pages.Select(p => p.Id)]), [Content()]), 1);
        board.ByProgram(new SetKey(AnswerKey.Of(content with { Marks = [Printed(page + 2, Grip.Key, "it pushes"), Printed(PrintedTitle, Grip.Key, "squeezed")] }, [])));
        board.Draw(Ben);
        if (takenBack) board.ByProgram(new GiveUpChange(1));
    }

    private static NewMark New(long id, int step) => new(
        id, Grip.Own, step % 2 == 0 ? new ShapeBody(ShapeKind.Polygon, [0, 0, 900, step, 400, 700]) : Line(0, step, 800, 800),
        new Style(2, 60, step % 3), new Place(step, 0, step * 100), step % 5 == 0 ? new Scale(800, 1_500) : null, [], step % 2);

    private static IEnumerable<Change> Regripped(BoardScript board, Actor actor, long mark, int step)
    {
        if (actor.IsStaff) yield return new Gripping(mark, (Grip)(step % 3));
        if (board.Board.Sheets.Marks[mark].Body is ShapeBody) yield return new Remaking(mark, new ShapeBody(ShapeKind.Line, [0, 0, step, step]));
    }

    private static IEnumerable<InkPoint[]> Strokes()
    {
        yield return [new(500, 500, 128, 0)];
        yield return [new(500, 500, 128, 0), new(500, 500, 128, 5), new(900, 500, 200, 9)];
        for (var seed = 1; seed <= 8; seed++)
        {
            var random = new Random(seed);
            double angle = 0, x = 4000, y = 4000;
            yield return [.. Enumerable.Range(0, 12 + (seed * 4)).Select(i =>
            {
                angle += (random.NextDouble() - 0.5) * seed;
                x += Math.Cos(angle) * 200;
                y += Math.Sin(angle) * 200;
                return new InkPoint((int)x, (int)y, (byte)random.Next(256), i * 12);
            })];
        }
    }

    private static int[] Flat(InkPoint[] points) => [.. points.SelectMany(p => new[] { p.X, p.Y, p.Pressure, p.Ms })];

    private static void Check(string name, object vectors)
    {
        var file = Path.Combine(Folder, $"{name}.json");
        var json = JsonSerializer.Serialize(vectors, s_options) + "\n";
        if (string.Equals(Environment.GetEnvironmentVariable("YARDANG_GOLDEN"), "write", StringComparison.Ordinal)) File.WriteAllText(file, json);
        Assert.Equal(File.ReadAllText(file), json);
    }

    private static string FindFolder()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(folder.FullName, "Yardang.slnx"))) folder = folder.Parent!;
        return Path.Combine(folder.FullName, "tests", "golden");
    }
}
