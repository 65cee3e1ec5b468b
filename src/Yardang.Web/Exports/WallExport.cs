using System.Collections.Immutable;
using System.Globalization;
using Microsoft.Extensions.Localization;
using Yardang.Core.Attachments;
using Yardang.Core.Judges;
using Yardang.Core.Pages;
using Yardang.Core.Threads;
using Yardang.Core.Visibility;
using Yardang.Core.Walls;
using Yardang.Data.Media;
using Yardang.Data.School;
using Yardang.Rendering;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;

namespace Yardang.Web.Exports;

/// <summary>Walls on their way out, with the names that the teacher reads: as pages and as one picture, and as a table.</summary>
public sealed class WallExport(LessonPeople people, RoomHosts hosts, MediaStore media, SchoolClock clock, ExportDesk desk, Leads leads, IStringLocalizer<UiTexts> texts)
{
    private static readonly string[] s_columns = ["Topic", "Card", "Who", "When", "PutUnder", "State", "AnswerTo", "AskedToo", "Answered", "Agree", "Unsure", "Disagree", "Chosen", "Mean", "Fair", "Moved", "Responses", "Joined", "BuildsOn", "Line", "LinkWords", "LinkTo"];

    // Of what fits nowhere, by its number among the colours of notes.
    private const int Grey = 10;
    private const int OpenColour = 5;
    private const int AnsweredColour = 1;

    /// <summary>A wall as a file.</summary>
    /// <param name="lesson">The lesson.</param>
    /// <param name="board">The wall.</param>
    /// <param name="format">pdf, png, svg or csv; nothing else is found.</param>
    /// <param name="language">In which the teacher's words are put out; null for as they were written.</param>
    /// <param name="names">Whether it says who wrote what.</param>
    /// <param name="paper">Of a PDF: <c>a3</c>, <c>poster</c> for one that is glued together of sheets, else A4.</param>
    /// <param name="name">Of the file.</param>
    /// <param name="nobodyWaits">Nobody waits for it any more.</param>
    public async Task<IResult> GiveAsync(LessonRecord lesson, LessonBoard board, string format, string? language, bool names, string? paper, string name, CancellationToken nobodyWaits)
    {
        if (format is "csv")
        {
            var rows = await RowsAsync(lesson, board, language, names, nobodyWaits);
            string[] headings = [.. s_columns.Select(h => texts[$"WallTable.{h}"].Value)];
            return await desk.GiveAsync(_ => Table.Write(headings, rows), "text/csv", $"{name}.csv", nobodyWaits);
        }

        var sheet = (await SheetAsync(lesson, board, language, names, nobodyWaits)) with { Leads = leads.In(board.Id) };
        return format switch
        {
            "pdf" when paper is "poster" => await desk.GiveAsync(
                stop => Poster.Pdf(WallPages.Whole(sheet), PageSize.A4Wide, lesson.Name, (row, rows, column, columns) => texts["Wall.Sheet", row, rows, column, columns], stop), "application/pdf", $"{name}.pdf", nobodyWaits),
            "pdf" => await desk.GiveAsync(stop => PageExport.Pdf(WallPages.On(paper is "a3" ? PageSize.A3Wide : PageSize.A4Wide, sheet), lesson.Name, stop), "application/pdf", $"{name}.pdf", nobodyWaits),
            "png" => await desk.GiveAsync(stop => PageExport.Png(WallPages.Whole(sheet), stop: stop), "image/png", $"{name}.png", nobodyWaits),
            "svg" => await desk.GiveAsync(stop => PageExport.Svg(WallPages.Whole(sheet), stop), "image/svg+xml", $"{name}.svg", nobodyWaits),
            _ => Results.NotFound(),
        };
    }

    /// <summary>A wall as a whole, without anybody's name.</summary>
    public async Task<ExportPage> NamelessAsync(LessonRecord lesson, LessonBoard board, CancellationToken stop) => WallPages.Whole(await SheetAsync(lesson, board, null, names: false, stop));

    /// <summary>One of its cards, large, under its topic and without anybody's name; null if it is not up.</summary>
    public async Task<ExportPage?> CardAsync(LessonRecord lesson, LessonBoard board, long id, CancellationToken stop)
    {
        var said = await SaidAsync(lesson, null, names: false);
        ExportPage? page = null;
        await (await hosts.GetAsync(board.Id)).LookAsync(room => page = CardOf(HiddenNames.AsTeachersKnow((Wall)room), id, said), stop);
        return page;
    }

    private ExportPage? CardOf(Wall wall, long id, Said said)
    {
        if (wall.Cards.GetValueOrDefault(id) is not { IsUp: true } card) return null;
        var topic = wall.Plan.Topics.FirstOrDefault(t => t.Id == card.Topic);
        var above = new[] { said.In(wall.Plan.Question), topic is null ? "" : said.In(topic.Heading) }.Where(w => w.Length > 0);
        var slip = SlipsOf(wall, card, said).First();
        return CardPage.Of(string.Join(" · ", above), slip, slip.Colour ?? topic?.Colour ?? Grey, media.Find);
    }

    /// <summary>A wall on pages to be printed.</summary>
    public async Task<IReadOnlyList<ExportPage>> PagesAsync(LessonRecord lesson, LessonBoard board, string? language, CancellationToken stop) =>
        WallPages.On(PageSize.A4Wide, (await SheetAsync(lesson, board, language, names: true, stop)) with { Leads = leads.In(board.Id) });

    /// <summary>A wall as it was at a moment, on pages to be printed.</summary>
    public async Task<IReadOnlyList<ExportPage>> PagesAsync(LessonRecord lesson, LessonBoard board, Wall then, string foot) =>
        WallPages.On(PageSize.A4Wide, SheetOf(HiddenNames.AsTeachersKnow(then), board, await SaidAsync(lesson, null, names: true), foot) with { Leads = leads.In(board.Id) });

    /// <summary>The cards of a student, as they see them, with what was said to them.</summary>
    /// <param name="lesson">The lesson.</param>
    /// <param name="seen">The wall as the student knows it.</param>
    /// <param name="room">Of the wall.</param>
    /// <param name="student">Their number.</param>
    /// <param name="names">What people are called for them.</param>
    /// <param name="language">In which the teacher's words are wanted; null for that in which they were written.</param>
    /// <param name="foot">Below each page.</param>
    public WallSheet OwnOf(LessonRecord lesson, Wall seen, Guid room, int student, Dictionary<int, string> names, string? language, string foot)
    {
        var said = new Said(names, texts, language, lesson.Language, KnowsAll: false);
        var own = seen.Cards.Values.Where(c => c.IsUp && !c.ByStaff && c.Author == student).OrderBy(c => c.Order).ThenBy(c => c.Id).ToLookup(c => seen.Plan.Has(c.Topic) ? c.Topic : WallPlan.Nowhere);
        var topics = seen.Plan.Topics.Select(t => (t.Id, Heading: said.In(t.Heading), Prompt: said.In(t.Prompt), t.Colour)).Append((Id: WallPlan.Nowhere, Heading: said.TopicOf(seen, WallPlan.Nowhere), Prompt: "", Colour: Grey));
        return new(
            said.In(seen.Plan.Question), [.. topics.Where(t => own.Contains(t.Id)).Select(t => new WallBand(t.Heading, t.Prompt, t.Colour, [.. own[t.Id].SelectMany(c => SlipsOf(seen, c, said))]))],
            [], foot, media.Find, Leads: leads.In(room));
    }

    private async Task<WallSheet> SheetAsync(LessonRecord lesson, LessonBoard board, string? language, bool names, CancellationToken stop)
    {
        var said = await SaidAsync(lesson, language, names);
        var foot = string.Join(" · ", new[] { names ? board.Title : "", lesson.Name, clock.Day(lesson.HandedOutAt) }.Where(w => w.Length > 0));
        WallSheet sheet = null!;
        await (await hosts.GetAsync(board.Id)).LookAsync(room => sheet = SheetOf(HiddenNames.AsTeachersKnow((Wall)room), board, said, foot), stop);
        return sheet;
    }

    private WallSheet SheetOf(Wall wall, LessonBoard board, Said said, string foot)
    {
        var sheet = SheetWithoutStances(wall, board, said, foot);
        return StancesOf(wall, said) is { Count: > 0 } lines ? sheet with { Bands = [.. sheet.Bands, new(texts["Wall.StanceShift"], string.Join('\n', lines), Grey, [])] } : sheet;
    }

    private WallSheet SheetWithoutStances(Wall wall, LessonBoard board, Said said, string foot)
    {
        if (wall.Plan.Purpose == Purpose.Ask) return QuestionsOf(wall, board, said, foot);
        if (wall.Plan.LineShown is { } line) return OrderedOf(wall, line, board, said, foot);
        if (wall.Plan.FieldShown is { } field) return ConnectedOf(wall, field, board, said, foot);
        var isVisited = wall.Plan.Purpose == Purpose.Visit;
        var topics = wall.Plan.Topics.Select((t, i) => (t.Id, Heading: isVisited ? $"{i + 1}. {said.In(t.Heading)}" : said.In(t.Heading), Prompt: said.In(t.Prompt), t.Colour, Shown: isVisited ? t.Shown : null)).ToList();
        if (topics.Count == 0 || wall.Under(WallPlan.Nowhere).Any()) topics.Add((WallPlan.Nowhere, said.TopicOf(wall, WallPlan.Nowhere), "", Grey, null));
        var stacks = Stacks.Of(wall.Cards.Values);
        var bands = topics.Select(t => new WallBand(t.Heading, t.Prompt, t.Colour, [.. (isVisited ? wall.Under(t.Id).OrderBy(c => c.PutUpAt).ThenBy(c => c.Id) : wall.Under(t.Id)).Where(c => stacks.Contains(c.Id)).SelectMany(c => SlipsOf(wall, c, said, stacks[c.Id]))], t.Shown));
        return new(said.In(wall.Plan.Question), [.. bands], said.Index(wall, board, p => $"{p.Name}: {said.Put(wall, p.Number)}"), foot, media.Find);
    }

    // As it was shown, and for its teacher as it is.
    private static StanceShifts? ShiftsOf(Wall wall)
    {
        var shifts = wall.Plan.Rules.Positions.IsEmpty ? null : wall.Stances.Shown ?? wall.Stances.Now(wall.Plan, id => wall.Cards.GetValueOrDefault(id)?.IsUp == true);
        return shifts?.People() > 0 ? shifts : null;
    }

    // Where people stood and stand, who moved where, and what moved most, in numbers.
    private List<string> StancesOf(Wall wall, Said said)
    {
        if (ShiftsOf(wall) is not { } shifts) return [];
        ImmutableArray<string> names = [.. wall.Plan.Rules.Positions.Select(said.In)];
        int Count(int from, int to) => shifts.Table[(from * names.Length) + to];
        var all = Enumerable.Range(0, names.Length).ToList();
        var lines = all.Select(at =>
        {
            var (first, now) = (all.Sum(to => Count(at, to)), all.Sum(from => Count(from, at)));
            return texts["WallTable.StanceNet", names[at], first, now, (now - first).ToString("+0;−0;0", CultureInfo.InvariantCulture)].Value;
        }).ToList();
        lines.AddRange(from f in all from t in all where f != t && Count(f, t) > 0 select texts["WallTable.StanceFromTo", names[f], names[t], Count(f, t)].Value);
        lines.AddRange(shifts.Cards.Where(c => wall.Cards.ContainsKey(c.Card)).Select(c => texts["WallTable.StanceMoved", Beginning(said.TitleOf(wall.Cards[c.Card])), c.People == 1 ? texts["Wall.StancePeopleOne"].Value : texts["Wall.StancePeople", c.People].Value].Value));
        return lines;
    }

    private static string MovedBy(Wall wall, Card card) => ShiftsOf(wall)?.Cards.FirstOrDefault(c => c.Card == card.Id)?.People.ToString(CultureInfo.InvariantCulture) ?? "";

    // Open ones, answered ones with what answers them, and these by their words.
    private WallSheet QuestionsOf(Wall wall, LessonBoard board, Said said, string foot)
    {
        var questions = wall.Cards.Values.Where(c => c.IsUp).OrderBy(c => c.PutUpAt).ThenBy(c => c.Id).ToLookup(c => c.IsAnswered);
        WallBand[] bands =
        [
            new(texts["Wall.OpenQuestions", questions[false].Count()], "", OpenColour, [.. questions[false].SelectMany(c => SlipsOf(wall, c, said))]),
            new(texts["Wall.AnsweredQuestions", questions[true].Count()], "", AnsweredColour, [.. questions[true].SelectMany(c => SlipsOf(wall, c, said))]),
        ];
        var titles = questions[true].ToDictionary(c => c.Id, said.TitleOf);
        var words = QuestionIndex.Of(questions[true], QuestionsEndpoint.CommonWords(texts)).Select(w => $"{w.Word}: {string.Join(" · ", w.Cards.Select(id => Beginning(titles[id])))}");
        return new(said.In(wall.Plan.Question), bands, [(texts["WallTable.Words"].Value, [.. words]), .. said.Index(wall, board, p => $"{p.Name}: {said.Asked(wall, p.Number)}")], foot, media.Find);
    }

    // The line with numbers where cards stand, and the cards by these; of the class the middle of all, and for the teacher where each student has them.
    private WallSheet OrderedOf(Wall wall, LinePlan line, LessonBoard board, Said said, string foot)
    {
        var order = line.Together ? null : wall.Placements.Shown ?? wall.Order();
        var up = wall.Cards.Values.Where(c => c.IsUp).OrderBy(c => c.Order).ThenBy(c => c.Id).ToDictionary(c => c.Id);
        List<(Card Card, LineSpot At, string Words)> placed = order is null
            ? [.. up.Values.Where(c => c.At?.On == line.Kind).OrderBy(c => c.At!.At).Select(c => (c, c.At!, LineWords.Called(c.At!, texts)))]
            : [.. order.Places.Where(p => up.ContainsKey(p.Card)).Select(p => (up[p.Card], new LineSpot(order.Kind, p.Middle, p.Up?.Middle ?? 0), PlaceOf(order.Kind, p)))];
        var slips = placed.SelectMany((p, i) => SlipsOf(wall, p.Card, said).Select((slip, nth) => nth > 0 ? slip : slip with { Text = $"{i + 1}. {slip.Text}", By = p.Card.ByStaff ? p.Words : $"{p.Words} · {slip.By}" }));
        var rest = up.Values.Where(c => placed.TrueForAll(p => p.Card.Id != c.Id)).SelectMany(c => SlipsOf(wall, c, said)).ToList();
        var heading = texts[order is null ? "Wall.OnLine" : "Wall.Order"].Value;
        var from = order is null ? "" : texts[order.People == 1 ? "Wall.OrderOfClassOne" : "Wall.OrderOfClass", order.People].Value;
        var agreement = order is { Compared: > 0 } ? texts["Wall.Agreement", Math.Round(100.0 * order.Alike / order.Compared)].Value : "";
        if (order is { ComparedUp: > 0 }) agreement += $" {texts["Wall.AgreementUp", Math.Round(100.0 * order.AlikeUp / order.ComparedUp)].Value}";
        List<WallBand> bands = [new(heading, $"{from}\n{agreement}".Trim(), AnsweredColour, [.. slips])];
        if (rest.Count > 0) bands.Add(new(texts["WallTable.NotPlaced"], "", Grey, rest));
        var axis = new WallAxis(NameOf(line.Start, line.From), NameOf(line.End, line.To), [.. placed.Select((p, i) => new AxisPoint(LineWords.ShareOf(line, p.At.At), p.At.Up / LinePlan.Length, (i + 1).ToString(CultureInfo.InvariantCulture)))], line.Kind == LineKind.Field ? (said.In(line.Low ?? Texts.None), said.In(line.High ?? Texts.None)) : null);
        return new(said.In(wall.Plan.Question), bands, order is null ? [] : said.Index(wall, board, p => $"{p.Name}: {PlacementOf(p.Number)}"), foot, media.Find, axis);

        string NameOf(Texts name, int at) => string.Join(" · ", new[] { said.In(name), line.Kind is LineKind.Ends or LineKind.Field ? "" : LineWords.Called(new(line.Kind, at), texts) }.Where(w => w.Length > 0));

        string PlacementOf(int person)
        {
            var theirs = up.Values.Select(c => (Card: c, Spot: wall.Placements.Of(person, c.Id))).Where(c => c.Spot?.On == line.Kind).OrderBy(c => c.Spot!.At).ToList();
            return theirs.Count == 0 ? texts["WallTable.PlacedNothing"] : string.Join(" · ", theirs.Select(c => $"{Beginning(said.TitleOf(c.Card))} ({LineWords.Called(c.Spot!, texts)})"));
        }
    }

    // The field with its links; the cards by their numbers there; the links as sentences, and what they say together.
    private WallSheet ConnectedOf(Wall wall, FieldPlan field, LessonBoard board, Said said, string foot)
    {
        var cards = wall.Cards.Values.Where(c => c.IsUp).OrderBy(c => (c.Spot?.Y ?? 0) / FieldPlan.CardHeight).ThenBy(c => c.Spot?.X).ThenBy(c => c.Id).ToList();
        var number = cards.Select((c, i) => (c.Id, i)).ToDictionary(c => c.Id, c => c.i);
        var links = wall.Links.Standing(wall.Cards).OrderBy(l => number[l.From]).ThenBy(l => number[l.To]).ToList();
        var laid = cards.Where(c => c.Spot is not null).ToList();
        var place = laid.Select((c, i) => (c.Id, i)).ToDictionary(c => c.Id, c => c.i);
        var drawn = new WallField(
            [.. laid.Select(c => new FieldCard(c.Spot!.X, c.Spot.Y, said.TitleIn(wall, c), (number[c.Id] + 1).ToString(CultureInfo.InvariantCulture)))],
            [.. links.Where(l => place.ContainsKey(l.From) && place.ContainsKey(l.To)).Select(l => new FieldLink(place[l.From], place[l.To], said.WordsOf(field, l)))],
            field.Picture);
        var slips = cards.SelectMany((c, i) => SlipsOf(wall, c, said).Select((slip, nth) => nth > 0 ? slip : slip with { Text = $"{i + 1}. {slip.Text}" }));
        var reading = LinkReading.Of(number.Keys, links);
        string Names(IEnumerable<long> ids) => string.Join(" – ", ids.Select(id => Beginning(said.TitleIn(wall, wall.Cards[id]))));
        List<(string Heading, IReadOnlyList<string> Lines)> lists = [];
        void Add(string key, IReadOnlyList<string> lines)
        {
            if (lines.Count > 0) lists.Add((texts[key, lines.Count].Value, lines));
        }

        Add("WallTable.Sentences", [.. links.Select(l => said.Sentence(wall, field, l))]);
        Add("Wall.LinkLoose", [.. reading.Loose.Select(id => Names([id]))]);
        Add("Wall.LinkChains", [.. reading.Chains.Select(c => Names(c))]);
        Add("Wall.LinkLoops", [.. reading.Loops.Select(l => Names(l.Append(l[0])))]);
        return new(
            said.In(wall.Plan.Question), [new(texts["Wall.Everything"], "", AnsweredColour, [.. slips])], [.. lists, .. said.Index(wall, board, p => $"{p.Name}: {said.Put(wall, p.Number)}; {said.Linked(links.Count(l => !l.ByStaff && l.Author == p.Number))}")],
            foot, media.Find, Field: drawn.Cards.Count > 0 || field.Picture is not null ? drawn : null);
    }

    private string PlaceOf(LineKind kind, ClassPlace place)
    {
        string Called(double at, double? up) => LineWords.Called(new(kind, at, up ?? 0), texts);
        var (said, up) = (Called(place.Middle, place.Up?.Middle), place.Up);
        var from = place.People == 1 ? texts["Wall.FromPeopleOne"].Value : texts["Wall.FromPeople", place.People].Value;
        return place.Low < place.High || up?.Low < up?.High ? $"{said} · {from}, {texts["Wall.HalfBetween", Called(place.Low, up?.Low), Called(place.High, up?.High)].Value}" : $"{said} · {from}";
    }

    // What is said to a card stands beside it.
    private IEnumerable<WallSlip> SlipsOf(Wall wall, Card card, Said said, IEnumerable<Card>? stack = null)
    {
        var asks = wall.Plan.Purpose == Purpose.Ask;
        var by = string.Join(" · ", said.Results([.. ResultsOf(wall, card, said.KnowsAll)], wall.Judgements.Round > 1).Append(said.Responses(wall, card)).Prepend(asks ? said.AskedToo(card) : "").Prepend(said.By(wall, card)).Where(w => w.Length > 0));
        var from = said.GrewFrom(wall, card) is { Length: > 0 } sources ? $"{texts["Wall.BuildsOn"].Value} {sources}" : "";
        yield return new(said.OnSlip(wall, card), string.Join(" · ", new[] { by, from }.Where(w => w.Length > 0)), card.Shown, card.Colour > 0 ? card.Colour - 1 : null);
        var also = (stack ?? []).Where(c => c.Id != card.Id).Select(c => said.Author(c) is { Length: > 0 } author ? $"{author}: {said.Whole(c)}" : $"– {said.Whole(c)}").ToList();
        if (also.Count > 0) yield return new(string.Join('\n', also), texts["Wall.SaidAlso"]);
        var answers = InOrder(card.Standing()).OrderByDescending(a => asks && a.Id == card.AnsweredBy).ToList();
        if (answers.Count > 0) yield return new(string.Join('\n', answers.Select(a => said.Whole(a, asks && card.IsAnswered && a.Id == card.AnsweredBy))), texts["Wall.AnswersTo", Beginning(said.TitleOf(card))], [.. answers.Select(a => a.Shown).OfType<Attachment>()]);
    }

    // What was shown, and for who knows all also what is said so far.
    private static IEnumerable<CardResult> ResultsOf(Wall wall, Card card, bool knowsAll)
    {
        var judgements = wall.Judgements;
        var shown = judgements.Results.Where(r => r.Card == card.Id);
        return judgements.IsShown || !knowsAll ? shown : shown.Concat(judgements.ResultsOf([card.Id]));
    }

    // Of the latest round.
    private static string[] CountsOf(Wall wall, Card card)
    {
        static string Points(double points) => points.ToString("0.##", CultureInfo.InvariantCulture);
        static string Number(int count) => count.ToString(CultureInfo.InvariantCulture);
        return ResultsOf(wall, card, knowsAll: true).LastOrDefault() switch
        {
            { Fair: { } fair, Mean: { } mean } => ["", "", "", "", Points(mean), Points(fair)],
            { Counts: [var agree, var unsure, var disagree] } => [Number(agree), Number(unsure), Number(disagree), "", "", ""],
            { Counts: [var chosen] } => ["", "", "", Number(chosen), "", ""],
            _ => ["", "", "", "", "", ""],
        };
    }

    // Who asks it too in numbers, and whether it is answered.
    private string[] AskedOf(Wall wall, Card card) => wall.Plan.Purpose == Purpose.Ask
        ? [card.Askers.Length.ToString(CultureInfo.InvariantCulture), texts[card.IsAnswered ? "Wall.IsAnswered" : "Wall.IsOpen"]]
        : ["", ""];

    // Where it stands on the line that all share, or in the middle of all placements.
    private string LineOf(Wall wall, Card card, ClassOrder? order)
    {
        if (wall.Plan.LineShown is not { } line) return "";
        var at = line.Together ? card.At : order!.Places.FirstOrDefault(p => p.Card == card.Id) is { } place ? new(line.Kind, place.Middle, place.Up?.Middle ?? 0) : null;
        return at?.On == line.Kind ? LineWords.Called(at, texts) : "";
    }

    private static IEnumerable<Answer> InOrder(Card card) => card.Said.OrderBy(a => a.SaidAt).ThenBy(a => a.Id);

    private static string Beginning(string text) => text.Split('\n')[0] is var first && first.Length > 60 ? $"{first[..60]}…" : first;

    private async Task<List<string[]>> RowsAsync(LessonRecord lesson, LessonBoard board, string? language, bool names, CancellationToken stop)
    {
        var said = await SaidAsync(lesson, language, names);
        List<string[]> rows = [];
        await (await hosts.GetAsync(board.Id)).LookAsync(room =>
        {
            var wall = HiddenNames.AsTeachersKnow((Wall)room);
            var classOrder = wall.Placements.Shown ?? wall.Order();
            var order = wall.Plan.Topics.Select((t, i) => (t.Id, i)).ToDictionary(t => t.Id, t => t.i);
            rows =
            [
                .. wall.Cards.Values.OrderBy(c => order.GetValueOrDefault(c.Topic, int.MaxValue)).ThenBy(c => c.Order).SelectMany(c => RowsOf(wall, c, said, classOrder)),
            ];
        }, stop);
        return rows;
    }

    private IEnumerable<string[]> RowsOf(Wall wall, Card card, Said said, ClassOrder? classOrder)
    {
        string StateOf(bool isUp) => texts[isUp ? "WallTable.Up" : "WallTable.Down"];
        var topic = wall.Plan.LineShown is null ? said.TopicOf(wall, card.Topic) : "";
        yield return [topic, said.Whole(card), said.Author(card), card.PutUpAt == 0 ? "" : clock.Minute(card.PutUpAt), said.TopicOf(wall, card.PutUnder), StateOf(card.IsUp), "", .. AskedOf(wall, card), .. CountsOf(wall, card), MovedBy(wall, card), said.Responses(wall, card), said.JoinedIn(wall, card), said.GrewFrom(wall, card), LineOf(wall, card, classOrder), "", ""];
        foreach (var own in wall.Plan.LineShown is { Together: false } line ? wall.Placements.Own.Where(p => p.Card == card.Id && p.At.On == line.Kind) : [])
        {
            yield return ["", said.Whole(card), said.NameOf(own.Person), "", "", texts["WallTable.Placement"], "", "", "", "", "", "", "", "", "", "", "", "", "", LineWords.Called(own.At, texts), "", ""];
        }

        foreach (var answer in InOrder(card))
        {
            var about = card.Said.FirstOrDefault(a => a.Id == answer.To) is { } to ? said.Text(to) : said.TitleOf(card);
            var answers = card.IsAnswered && answer.Id == card.AnsweredBy && wall.Plan.Purpose == Purpose.Ask ? texts["WallTable.Answers"].Value : "";
            yield return [topic, said.Text(answer), said.Author(answer), clock.Minute(answer.SaidAt), "", StateOf(answer.IsUp), about, "", answers, "", "", "", "", "", "", "", "", "", "", "", "", ""];
        }

        if (wall.Plan.FieldShown is not { } field) yield break;
        foreach (var link in wall.Links.All.Values.Where(l => l.From == card.Id))
        {
            yield return ["", said.Whole(card), said.Author(link), "", "", StateOf(link.IsUp), "", "", "", "", "", "", "", "", "", "", "", "", "", "", said.WordsOf(field, link), said.TitleIn(wall, wall.Cards[link.To])];
        }
    }

    private async Task<Said> SaidAsync(LessonRecord lesson, string? language, bool names) =>
        new(names ? (await people.InAsync(lesson.Id)).ToDictionary(p => p.Number, p => p.Name) : null, texts, language, lesson.Language);

    // How a wall is told, in one language; without names nobody is named, nor listed.
    private sealed record Said(Dictionary<int, string>? Names, IStringLocalizer<UiTexts> Texts, string? Language, string Written, bool KnowsAll = true)
    {
        public string In(Texts all) => all.For(Language ?? Written);

        public string TopicOf(Wall wall, long topic) => wall.Plan.Topics.FirstOrDefault(t => t.Id == topic) is { } found ? In(found.Heading)
            : Texts[wall.Plan.Topics.IsEmpty ? "Wall.Everything" : "Wall.Nowhere"];

        public string Author(Card card) => card.ByStaff ? Texts[card.Poured > 0 ? "Wall.Poured" : "Wall.Teacher"] : card.PutUpBy != 0 && Names is not null ? $"{NameOf(card.Author)} ({Texts["Wall.SaidAloud"].Value})" : NameOf(card.Author);

        public string Author(Link link) => link.ByStaff ? Texts["Wall.Teacher"] : NameOf(link.Author);

        public string WordsOf(FieldPlan field, Link link) => field.Words.FirstOrDefault(w => w.Id == link.Word) is { } words ? In(words.Text) : link.Text;

        public string TitleIn(Wall wall, Card card) => Text(wall, card) is { Length: > 0 } words ? words : TitleOf(card);

        // "Load pushes on deck", and who says so.
        public string Sentence(Wall wall, FieldPlan field, Link link)
        {
            var words = WordsOf(field, link) is { Length: > 0 } some ? some : Texts["Wall.IsLinkedTo"].Value;
            var sentence = $"{Beginning(TitleIn(wall, wall.Cards[link.From]))} {words} {Beginning(TitleIn(wall, wall.Cards[link.To]))}";
            return Author(link) is { Length: > 0 } author ? $"{sentence} ({author})" : sentence;
        }

        public string Linked(int count) => count == 1 ? Texts["Wall.LinksOne"] : Texts["Wall.Links", count];

        public string NameOf(int person) => Names?.GetValueOrDefault(person, "") ?? "";

        public IReadOnlyList<(string Heading, IReadOnlyList<string> Lines)> Index(Wall wall, LessonBoard board, Func<LessonPerson, string> line) =>
            Names is null || wall.IsSealed ? [] : [(Texts["WallTable.Index"].Value, [.. board.People.Select(line)])];

        public string Author(Answer answer) => answer.ByStaff ? Texts["Wall.Teacher"] : NameOf(answer.Author);

        public string Text(Wall wall, Card card) => wall.Plan.TextOf(card, Language ?? Written);

        // Where several are shown there is little room below each: what is said in them stands over them.
        public string OnSlip(Wall wall, Card card) => card.Shown.Length < 2 ? Text(wall, card)
            : string.Join('\n', card.Shown.Where(a => a is VoiceAttachment or FilmAttachment && a.Said().Length > 0).Select(a => $"[{Shown(a)}]").Prepend(Text(wall, card)).Where(w => w.Length > 0));

        public string Text(Answer answer) => answer.Says == AnswerKind.Plain ? AnswerWords.Of(answer, Texts) : Texts[$"Wall.{answer.Says}Is", AnswerWords.Of(answer, Texts)];

        public string Whole(Answer answer, bool answers) => answers
            ? string.Join('\n', new[] { Texts[answer.Aloud ? "Wall.SaidAloudBy" : "Wall.AnsweredBy", Author(answer)].Value, answer.Text, answer.Shown is { } shown ? $"[{Shown(shown)}]" : "" }.Where(w => w.Length > 0))
            : Author(answer) is { Length: > 0 } author ? $"{author}: {Text(answer)}" : $"– {Text(answer)}";

        public string AskedToo(Card card) => card.Askers.Length switch { 0 => "", 1 => Texts["Wall.AskTooOne"], var more => Texts["Wall.AskToo", more] };

        public string Asked(Wall wall, int person)
        {
            var asked = wall.Cards.Values.Where(c => c.IsUp && !c.ByStaff && c.Author == person).OrderBy(c => c.PutUpAt).Select(TitleOf).ToList();
            return asked.Count == 0 ? Texts["Asked.NoCards"] : string.Join(" · ", asked);
        }

        // In rounds, and behind each by how much it is other than in the one before.
        public IEnumerable<string> Results(IReadOnlyList<CardResult> rounds, bool namesRound) => rounds.Select((result, at) =>
        {
            var words = result.Fair is not null ? Scored(result) : result.Counts is [1] ? Texts["Wall.ChosenByOne"].Value : result.Counts is [var chosen] ? Texts["Wall.ChosenBy", chosen].Value : Texts["Wall.Said", result.Counts[0], result.Counts[1], result.Counts[2]].Value;
            var by = at > 0 ? result.ShiftFrom(rounds[at - 1]) : null;
            var shift = by is null ? "" : result.Fair is { } fair ? $" ({Texts["Wall.ShiftChosen", (fair - rounds[at - 1].Fair!.Value).ToString("+0.#;-0.#;0", CultureInfo.CurrentCulture)].Value})" : $" ({Shift(by.Value)})";
            return (namesRound ? $"{Texts["Wall.Round", result.Round].Value} {words}" : words) + shift;
        });

        private string Scored(CardResult result)
        {
            static string Points(double? points) => points!.Value.ToString("0.#", CultureInfo.CurrentCulture);
            var all = result.Counts.Sum();
            var words = Texts["Wall.ScoreMean", Points(result.Mean), result.Counts.Length, all == 1 ? Texts["Wall.ScoresOne", 1].Value : Texts["Wall.Scores", all].Value].Value;
            if (!string.Equals(Points(result.Fair), Points(result.Mean), StringComparison.Ordinal)) words = $"{words} · {Texts["Wall.ScoreFair", Points(result.Fair)].Value}";
            var why = (result.Reasons ?? []).Select(r => string.Join(' ', new[] { $"{r.Value} – {r.Text}".TrimEnd(' ', '–'), r.Words.Length > 0 ? Texts["Wall.RestsOn", r.Words].Value : "" }.Where(w => w.Length > 0)));
            return string.Join(" · ", why.Prepend(words));
        }

        // The titles of those from which it grew.
        public string GrewFrom(Wall wall, Card card) => wall.Plan.TopicsStand ? string.Join(", ", card.Sources.Where(id => wall.Cards.GetValueOrDefault(id) is { IsUp: true }).Select(id => Beginning(TitleIn(wall, wall.Cards[id])))) : "";

        // The title of that which says the same, in which it stands.
        public string JoinedIn(Wall wall, Card card) => wall.Plan.TopicsStand && card.IsUp && Stacks.RootOf(card, wall.Cards.GetValueOrDefault) is var root && root.Id != card.Id ? Beginning(TitleIn(wall, root)) : "";

        // What each stamp says, and how many responded with it.
        public string Responses(Wall wall, Card card) => string.Join(", ", wall.Plan.Rules.Stamps.Select(r => (Says: In(r.Says) is { Length: > 0 } said ? said : Texts[$"Stamp.{r.Stamp}"].Value, Count: card.Responded.FirstOrDefault(d => string.Equals(d.Stamp, r.Stamp, StringComparison.Ordinal))?.Count ?? 0))
            .Where(r => r.Count > 0).Select(r => $"{r.Says}: {r.Count.ToString(CultureInfo.InvariantCulture)}"));

        private string Shift(ImmutableArray<int> by)
        {
            object[] signed = [.. by.Select(n => n.ToString("+0;-0;0", CultureInfo.InvariantCulture))];
            return Texts[signed.Length == 1 ? "Wall.ShiftChosen" : "Wall.Shift", signed];
        }

        public string Shown(Attachment attachment) => ShownWords.Of(attachment, Texts);

        // What is shown stands in brackets behind the words.
        public string Whole(Card card) => string.Join('\n', card.Shown.Select(a => $"[{Shown(a)}]").Prepend(card.Text).Where(w => w.Length > 0));

        public string TitleOf(Card card) => card.Text.Length > 0 ? card.Text : card.Shown.Select(Shown).FirstOrDefault("");

        public string By(Wall wall, Card card)
        {
            // Where a topic is gone, nobody moved the card.
            var moved = card.PutUnder == card.Topic || !wall.Plan.Has(card.PutUnder) ? "" : Texts["Wall.MovedFrom", TopicOf(wall, card.PutUnder)].Value;
            return string.Join(" · ", new[] { Author(card), moved }.Where(w => w.Length > 0));
        }

        public string Put(Wall wall, int person)
        {
            var topics = wall.Plan.Topics.Select(t => t.Id).Append(WallPlan.Nowhere);
            var counts = topics.Select(t => (Topic: t, Count: wall.Under(t).Count(c => !c.ByStaff && c.Author == person))).Where(t => t.Count > 0).Select(t => $"{TopicOf(wall, t.Topic)} ({t.Count})").ToList();
            return counts.Count == 0 ? Texts["Wall.NoCards"] : string.Join(", ", counts);
        }
    }
}
