using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Yardang.Core.Attachments;
using Yardang.Core.Judges;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Wire;

namespace Yardang.Core.Walls;

/// <summary>What students are to do on a wall. The numbers are on the wire.</summary>
public enum Purpose
{
    /// <summary>Put cards under topics.</summary>
    Sort = 1,

    /// <summary>Go from station to station, and say something at each. A station is a topic with something to look at.</summary>
    Visit = 2,

    /// <summary>Ask questions, which are filed with what answers them. Topics are not looked at.</summary>
    Ask = 3,

    /// <summary>Place cards along a line, each for themselves or all together. Topics are not looked at.</summary>
    Order = 4,

    /// <summary>Join cards on a free field by links with words. Topics are not looked at.</summary>
    Connect = 5,
}

/// <summary>A place of its own on a wall, for the cards that belong there.</summary>
/// <param name="Id">Stays the same whatever it is called; never used again. Larger than 0.</param>
/// <param name="Heading">What it is called.</param>
/// <param name="Prompt">What to write there; may be empty.</param>
/// <param name="Colour">One of the twelve of slips, from 0.</param>
/// <param name="Shown">At a station: what is looked at; null for nothing.</param>
/// <param name="Stimulus">At a station: something to watch, to listen to or to open; null for nothing.</param>
/// <param name="Only">Who puts up cards there, by actor number; null for everybody. All read them.</param>
/// <param name="Locked">Whether students change nothing there (<see cref="LockTopic"/>). Known to running walls only.</param>
public sealed record Topic(long Id, Texts Heading, Texts Prompt, int Colour, [Since(2), NullIsEmpty] ImmutableArray<Attachment>? Shown = null, [Since(2)] Stimulus? Stimulus = null, [Since(3), NullIsEmpty] ImmutableArray<int>? Only = null, [Since(4)][property: JsonIgnore] bool Locked = false)
{
    /// <summary>Whether a student may put up cards there.</summary>
    public bool IsFor(int person) => Only is not { IsEmpty: false } some || some.Contains(person);

    /// <summary>What is looked at there.</summary>
    [JsonIgnore]
    public ImmutableArray<Attachment> Shows => Shown ?? [];

    /// <summary>The names in the media store that it shows.</summary>
    public IEnumerable<string> MediaNames()
    {
        var shown = Shows.SelectMany(a => a.MediaNames());
        return Stimulus is { Kind: not StimulusKind.Link } stimulus ? shown.Append(stimulus.Source) : shown;
    }

    /// <summary>The same with files that are kept under other names. What is not kept is not shown.</summary>
    /// <param name="names">The new names by the old.</param>
    public Topic WithMedia(IReadOnlyDictionary<string, string> names)
    {
        ImmutableArray<Attachment> shown = [.. Shows.Select(a => a.WithMedia(names)).OfType<Attachment>()];
        var stimulus = Stimulus is not { Kind: not StimulusKind.Link } file ? Stimulus : names.TryGetValue(file.Source, out var name) ? file with { Source = name } : null;
        return this with { Shown = shown.IsEmpty ? null : shown, Stimulus = stimulus };
    }
}

/// <summary>What each student may and owes.</summary>
/// <param name="Least">How many cards each is asked for; 0 for no number.</param>
/// <param name="Most">How many each may have up at most; 0 for no number.</param>
/// <param name="OwnFirst">Whether each student sees only their own cards and the teachers': think first, then look.</param>
/// <param name="Answers">Whether students may answer cards, and answers; teachers always may.</param>
/// <param name="Shows">What students may show beside their words; teachers may show everything.</param>
/// <param name="Judging">How students judge each other's cards; null for not at all.</param>
/// <param name="Stations">On a wall to visit: at how many stations of their choice each is asked for something; 0 for no number.</param>
/// <param name="OnlyGiven">Whether only teachers put up cards.</param>
/// <param name="Names">To whom it is shown who wrote what.</param>
/// <param name="AnyMoves">Under topics: whether anybody may move any card.</param>
/// <param name="InPairs">Whether students answer a card by one strength and one question.</param>
/// <param name="LeastAnswers">How many cards of others each is asked to answer; 0 for no number.</param>
/// <param name="Responses">The stamps with which everybody may respond to others' cards; null for none.</param>
/// <param name="SaidAlready">Under topics: whether cards like the one that is being typed are shown, which it can join.</param>
/// <param name="BuildsOn">Under topics: whether students may name the cards from which theirs grew.</param>
/// <param name="Stances">The positions between which students choose where they stand, two to five; null for none.</param>
/// <param name="LeastJudged">Of how many cards of others each is asked to say something, where cards are judged; 0 for no number.</param>
/// <param name="PerTopic">Whether the least and the most cards count under each topic, not altogether.</param>
/// <param name="MostAnswers">How many answers each may have up; 0 for no number.</param>
/// <param name="MostJudged">Of how many cards each may say something, where they are not chosen; 0 for no number.</param>
/// <param name="Starters">How sentences may begin that students write; null for none.</param>
/// <param name="Held">Whether its lesson lets each see only their own, too; then <c>OwnFirst</c> is true. Known to running walls only.</param>
/// <param name="Locked">Whether students change nothing on the whole wall (<see cref="LockTopic"/>). Known to running walls only.</param>
/// <param name="VoiceSeconds">How long students may speak or film, s: <see cref="Recordings.LeastSeconds"/> to 180.</param>
public sealed record WallRules(
    int Least = 0, int Most = 0, [Since(2)] bool OwnFirst = false, [Since(3)] bool Answers = false, [Since(4)] AttachmentKinds Shows = AttachmentKinds.None, [Since(5)] Judging? Judging = null, [Since(6)] int Stations = 0, [Since(7)] bool OnlyGiven = false, [Since(8)] NamesTo Names = NamesTo.Everybody, [Since(8)] bool AnyMoves = false, [Since(8)] bool InPairs = false, [Since(8)] int LeastAnswers = 0, [Since(9), NullIsEmpty] ImmutableArray<QuickResponse>? Responses = null, [Since(9)] bool SaidAlready = false, [Since(9)] bool BuildsOn = false, [Since(10), NullIsEmpty] ImmutableArray<Texts>? Stances = null, [Since(10)] int LeastJudged = 0, [Since(10)] bool PerTopic = false, [Since(11)] int MostAnswers = 0, [Since(11)] int MostJudged = 0, [Since(11), NullIsEmpty] ImmutableArray<Texts>? Starters = null, [Since(12)][property: JsonIgnore] LessonHolds Held = LessonHolds.No, [Since(13)][property: JsonIgnore] bool Locked = false, [Since(14)] int VoiceSeconds = Recordings.UsualSeconds)
{
    /// <summary>As many cards as anybody likes, of words alone.</summary>
    public static readonly WallRules Free = new();

    /// <summary>The stamps with which everybody may respond to others' cards.</summary>
    [JsonIgnore]
    public ImmutableArray<QuickResponse> Stamps => Responses ?? [];

    /// <summary>What the wall itself says, whatever its lesson does.</summary>
    [JsonIgnore]
    public WallRules ItsOwn => this with { OwnFirst = OwnFirst && Held != LessonHolds.WallWouldShow, Held = LessonHolds.No };

    /// <summary>The same where the lesson lets each see only their own, or does not. The stricter of both holds.</summary>
    public WallRules HeldBy(bool lesson) => ItsOwn is var own && lesson ? own with { OwnFirst = true, Held = own.OwnFirst ? LessonHolds.WallHoldsToo : LessonHolds.WallWouldShow } : own;

    /// <summary>Most of how sentences may begin.</summary>
    public const int MostStarters = 20;

    /// <summary>How sentences may begin.</summary>
    [JsonIgnore]
    public ImmutableArray<Texts> Beginnings => Starters ?? [];

    /// <summary>Whether sentences may begin so: not too many, each says something, and is short.</summary>
    public static bool AreStarters(ImmutableArray<Texts> starters) => starters.Length <= MostStarters && Validity.AreStarters(starters);

    /// <summary>The positions between which students choose where they stand.</summary>
    [JsonIgnore]
    public ImmutableArray<Texts> Positions => Stances ?? [];
}

/// <summary>What a teacher has planned for a wall: the question, where answers go, and what each may and owes.</summary>
/// <param name="Purpose">What students are to do.</param>
/// <param name="Question">The question over the wall.</param>
/// <param name="Topics">In order; cards that fit none lie <see cref="Nowhere"/>.</param>
/// <param name="Rules">What each may and owes.</param>
/// <param name="Map">On which students show places: a map, or any other picture; null for none.</param>
/// <param name="Line">Along what cards are ordered; null as long as none ever were to be.</param>
/// <param name="GivenCards">The teacher's cards that are up from the beginning; null for none.</param>
/// <param name="Field">On what cards are connected; null as long as none ever were to be.</param>
public sealed record WallPlan(
    Purpose Purpose, Texts Question, ImmutableArray<Topic> Topics, WallRules Rules, [Since(2)] MapPicture? Map = null, [Since(3)] LinePlan? Line = null, [Since(3), NullIsEmpty] ImmutableArray<GivenCard>? GivenCards = null, [Since(4)] FieldPlan? Field = null)
{
    /// <summary>The topic of cards that fit nowhere.</summary>
    public const long Nowhere = 0;

    /// <summary>Most topics of a wall.</summary>
    public const int MostTopics = 60;

    /// <summary>Most letters of a question, and of a prompt.</summary>
    public const int PromptLength = 1_000;

    /// <summary>How many colours there are.</summary>
    public const int Colours = 12;

    /// <summary>A wall to begin with.</summary>
    public static readonly WallPlan Blank = new(Purpose.Sort, Pages.Texts.None, [], new(Shows: Attachment.Usual));

    /// <summary>Whether a student may put up cards under a topic, as far as the plan says.</summary>
    public bool IsFor(int person, long topic) => !TopicsStand || Topics.FirstOrDefault(t => t.Id == topic)?.IsFor(person) != false;

    /// <summary>Whether there is a place for cards with this number.</summary>
    public bool Has(long topic) => topic == Nowhere || Topics.Any(t => t.Id == topic);

    /// <summary>The topics that are looked at: none where students ask, order or connect.</summary>
    [JsonIgnore]
    public ImmutableArray<Topic> TopicsShown => Purpose is Purpose.Ask or Purpose.Order or Purpose.Connect ? [] : Topics;

    /// <summary>Whether cards stand under topics, or at stations.</summary>
    [JsonIgnore]
    public bool TopicsStand => Purpose is Purpose.Sort or Purpose.Visit;

    /// <summary>Whether cards are counted under each topic.</summary>
    [JsonIgnore]
    public bool CountsPerTopic => Rules.PerTopic && TopicsStand && !Topics.IsEmpty;

    /// <summary>The teacher's cards that are up from the beginning.</summary>
    [JsonIgnore]
    public ImmutableArray<GivenCard> Given => GivenCards ?? [];

    /// <summary>Along what cards are ordered now; null where they are not.</summary>
    [JsonIgnore]
    public LinePlan? LineShown => Purpose == Purpose.Order ? Line ?? LinePlan.Blank : null;

    /// <summary>On what cards are connected now; null where they are not.</summary>
    [JsonIgnore]
    public FieldPlan? FieldShown => Purpose == Purpose.Connect ? Field ?? FieldPlan.Blank : null;

    /// <summary>Whether students are not told who wrote what.</summary>
    [JsonIgnore]
    public bool HidesNames => Rules.Names != NamesTo.Everybody;

    /// <summary>Whether teachers are not told either.</summary>
    [JsonIgnore]
    public bool IsSealed => Rules.Names == NamesTo.Nobody;

    /// <summary>Whether students link only their own cards. Where names are hidden it would tell which cards have one author.</summary>
    [JsonIgnore]
    public bool LinksOwnOnly => FieldShown is { OwnOnly: true } && !HidesNames;

    /// <summary>Its texts, in the order in which they are read.</summary>
    [JsonIgnore]
    public IEnumerable<Texts> Texts => TopicsShown.SelectMany(t => new[] { t.Heading, t.Prompt }).Prepend(Question).Concat(LineShown?.Names ?? []).Concat(FieldShown?.Words.Select(w => w.Text) ?? []).Concat(Rules.Judging?.Scored is { } criterion ? [criterion.Says] : []).Concat(Rules.Stamps.Select(r => r.Says)).Concat(Rules.Positions).Concat(Rules.Beginnings).Concat(Given.Select(g => g.Text));

    /// <summary>The names in the media store that it shows.</summary>
    public IEnumerable<string> MediaNames() => Topics.SelectMany(t => t.MediaNames()).Concat(Map is { } map ? [map.Media] : []).Concat(Field?.Picture is { } beneath ? [beneath.Media] : []).Concat(Given.SelectMany(g => g.Shows.SelectMany(a => a.MediaNames())));

    /// <summary>The plan as it stands without its lesson.</summary>
    [JsonIgnore]
    public WallPlan ItsOwn => this with { Rules = Rules.ItsOwn };

    /// <summary>The same with files that are kept under other names. What is not kept is not shown.</summary>
    /// <param name="names">The new names by the old.</param>
    public WallPlan WithMedia(IReadOnlyDictionary<string, string> names) => this with
    {
        Map = Map?.WithMedia(names),
        Field = Field?.WithMedia(names),
        Topics = [.. Topics.Select(t => t.WithMedia(names))],
        GivenCards = Given.IsEmpty ? null : [.. Given.Select(g => g.WithMedia(names))],
    };

    /// <summary>What a card says in a language: one that is as the teacher gave it, in the teacher's words.</summary>
    public string TextOf(Card card, string language) => Given.FirstOrDefault(g => g.Says(card))?.Text.For(language) ?? card.Text;

    /// <summary>What a card says, in each language in which it is read.</summary>
    public IReadOnlyCollection<string> TextsOf(Card card) => [card.Text, .. Given.FirstOrDefault(g => g.Says(card))?.Text.ByLanguage.Values ?? []];

    /// <summary>Everything that is written in it, in every language.</summary>
    public IEnumerable<string> Said() => Texts.SelectMany(t => t.ByLanguage.Values);

    /// <summary>The first thing that is wrong with it, in words; null if nothing is.</summary>
    public string? Fault()
    {
        if (!Enum.IsDefined(Purpose)) return "The wall is for something that this program does not know.";
        if (!Question.IsWithin(PromptLength)) return $"The wall's question is longer than {PromptLength} letters, or in too many languages.";
        if (Topics.Length > MostTopics) return $"There are {Topics.Length} topics; a wall has at most {MostTopics}.";
        for (var i = 0; i < Topics.Length; i++)
        {
            var topic = Topics[i];
            if (topic.Id is <= Nowhere or >= 1L << 53 || Topics.Take(i).Any(t => t.Id == topic.Id)) return $"Topic {i + 1} has no number of its own.";
            if (!topic.Heading.IsWithin(Limits.NameLength) || !topic.Prompt.IsWithin(PromptLength)) return $"The words of topic {i + 1} are too long, or in too many languages.";
            if (!Attachment.AreSound(topic.Shows) || topic.Stimulus is { IsValid: false }) return $"Topic {i + 1} shows what this program does not know, or too much.";
            if (topic.Only is { IsEmpty: false } only && (HidesNames || only.Length > Limits.People || only.Any(p => p <= Actor.Owner.Number) || only.Distinct().Count() < only.Length)) return $"Topic {i + 1} is for some who cannot be so; where names are hidden, topics are for everybody.";
            if (topic.Colour is < 0 or >= Colours) return $"Topic {i + 1} has a colour that there is not.";
        }

        if (Line is { } line && !line.IsValid()) return "The line along which cards are ordered is none that this program knows, or its names are too long.";
        if (Field is { } field && !field.IsValid()) return $"The field offers more than {FieldPlan.MostWords} words for links, or longer ones than {Link.TextLength} letters, or has beneath it what this program does not know.";
        if (!GivenCard.AreSound(Given, Has)) return $"There are more than {GivenCard.Most} cards to begin with, or one of them says too much, or stands nowhere.";
        if (Map is { } map && !map.AsPicture().IsValid()) return "The wall's map is no picture.";
        if ((Rules.Shows & ~Attachment.AnyKind) != AttachmentKinds.None) return "Students may show what this program does not know.";
        if (Rules.Judging is { } judging && !judging.IsValid()) return "Cards are judged in a way that this program does not know, or too many are chosen.";
        if (!QuickResponse.AreSound(Rules.Stamps)) return $"Cards can be responded to with at most {QuickResponse.Most} of the stamps that there are, each once, in {QuickResponse.SaysLength} letters.";
        if (Rules.Positions.Length is not (0 or >= Walls.Stances.Least and <= Walls.Stances.Most) || Rules.Positions.Any(p => !p.IsWithin(Limits.NameLength))) return $"Students choose between {Walls.Stances.Least} to {Walls.Stances.Most} positions, each of at most {Limits.NameLength} letters.";
        if (!WallRules.AreStarters(Rules.Beginnings)) return $"There are more than {WallRules.MostStarters} beginnings of sentences, or one of them says nothing, or has more than {Limits.NameLength} letters.";
        if (Rules.VoiceSeconds is < Recordings.LeastSeconds or > Recordings.Longest / 1_000) return $"Students may speak for {Recordings.LeastSeconds} to {Recordings.Longest / 1_000} seconds.";
        if (Rules.LeastAnswers is < 0 or > Answer.MostOfOne) return $"A student may be asked to answer at most {Answer.MostOfOne} cards.";
        if (Rules.LeastJudged is < 0 or > Card.MostOfOne) return $"A student may be asked to judge at most {Card.MostOfOne} cards.";
        if (Rules.MostAnswers is < 0 or > Answer.MostOfOne || (Rules.MostAnswers > 0 && Rules.MostAnswers < Rules.LeastAnswers)) return $"A student may give at most {Answer.MostOfOne} answers, and no fewer than they are asked for.";
        if (Rules.MostJudged is < 0 or > Card.MostOfOne || (Rules.MostJudged > 0 && Rules.MostJudged < Rules.LeastJudged)) return $"A student may judge at most {Card.MostOfOne} cards, and no fewer than they are asked for.";
        if (!Enum.IsDefined(Rules.Names)) return "Names are shown to whom this program does not know.";
        if (Rules.Stations is < 0 or > MostTopics) return $"A student may be asked for something at {MostTopics} stations at most.";
        return Rules is { Least: >= 0 and <= Card.MostOfOne, Most: >= 0 and <= Card.MostOfOne } && (Rules.Most == 0 || Rules.Least <= Rules.Most)
            ? null
            : $"A student may be asked for at most {Card.MostOfOne} cards, and for no more than they may put up.";
    }
}
