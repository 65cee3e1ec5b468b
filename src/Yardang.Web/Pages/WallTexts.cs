using Microsoft.Extensions.Localization;
using Yardang.Core.Marks;
using Yardang.Core.Threads;
using Yardang.Core.Walls;

namespace Yardang.Web.Pages;

/// <summary>The texts that a page with a wall on it hands to its scripts.</summary>
public static class WallTexts
{
    private static readonly string[] s_names =
    [
        "Opening", "NotReached", "OnlyLook", "Nowhere", "Everything", "WriteHere", "WriteUnder", "PutUp", "Yours", "Teacher", "Change", "ChangeOf", "Keep", "Cancel", "TakeDown", "TakeAllDown", "TakenDown", "TakenDownByTeacher", "PutBack", "Topic", "Place",
        "PlaceFirst", "PlaceAfter", "CardWords", "Cards", "CardsOne", "Fresh", "FreshOne", "FreshHere", "Full", "MovedFrom", "TopicOf", "Owed", "OwedOne", "None", "Some", "SomeOne", "NoCards", "ToNowhere", "ToNowhereOne", "PlanKept", "TakenDownMeanwhile", "PensDown",
        "Answer", "Done", "Calling", "CallToCard", "ToScreen", "OnScreen", "Answers", "AnswersOne", "AnswersTo", "AnswerTo", "Answering", "AnswerCard", "AnswerWords", "AnswersEnded", "ChangeAnswer", "AnswerDown", "AnswerDownByTeacher", "FreshAnswers", "FreshAnswersOne", "WriteAnswer", "SpeakAnswer", "Say", "You", "Unanswered",
        "FromDevice", "FromSearch", "Draw", "OnMap", "WebAddress", "WebAddressDo", "Speak", "Photograph", "FilmIt", "ShowFile", "SharesOnItsWay", "FileTooLarge", "VoiceSays", "FilmSays", "FileSays", "WebAddressNone", "LinkCalled", "TakeOff", "DrawOn", "ChangeFormula", "ChangePlace", "Says", "OnItsWay", "EnoughShown", "ShownNoLonger",
        "Agree", "Unsure", "Disagree", "Choose", "Chosen", "Judge", "Said", "ChosenBy", "ChosenByOne", "NotForYou", "OnlyFor", "Round", "WhoSaid", "ChosenOf", "JudgedOf", "JudgedShown", "JudgingNow", "JudgingOver", "JudgedNobody", "JudgedSome", "JudgedSomeOne", "JudgedBy", "JudgedByOne", "JudgeOut", "JudgeIn", "JudgeNotCounted",
        "AnswersIt", "AnswersNot", "AnswerIt", "AnsweredAloud", "AskBack", "AskHere", "Ask", "AskedBefore", "IsAnswered", "IsOpen", "ReadAnswer", "GoThere", "OpenQuestions", "OpenOnes", "NoneOpen", "AnsweredQuestions", "AnsweredOnes", "FindAnswered", "NoneFound", "ByWord", "ShowMore", "PutAway", "PutAwayOne", "SaidAloud", "InNameOf", "InOwnName", "SaidAloudBy", "AnsweredBy", "IAskToo", "AskToo", "AskTooOne", "JustNow", "MinutesAgo", "MinutesAgoOne", "HoursAgo", "HoursAgoOne", "DaysAgo", "DaysAgoOne", "BecomeQuestions", "BecomeCards", "FoundThere", "SeenOf", "StationOf", "Stations", "Station", "PeopleThere", "YourGroup", "StationDone", "StationSeen", "StationNew", "StationBefore", "StationNext", "StationLarge", "WriteAt", "GroupHere", "GroupThere", "OnlyReadHere", "GroupGoesOn", "StationsOwed", "StationsOwedOne", "TripStop", "TripFree", "TripNobody", "TripGroup", "TripAt", "BecomeStations", "BecomeTopics",
        "ToPlace", "ToPlaceOne", "PlacedAll", "PlacementOf", "OrderOfClass", "OrderOfClassOne", "PlaceTogether", "YourPlacement", "OrderNotShown", "PlaceForYourself", "SeeOwn", "OnLine", "LineEmpty", "PlaceIt", "MoveIt", "PlaceOf", "PlaceHere", "OffLine", "StillToPlace", "NotPlaced", "WriteNew", "FromPeople", "FromPeopleOne", "HalfBetween", "YoursAt", "OfHundred", "BeforeYearOne", "Rung", "AcrossUp", "FieldAcross", "FieldUp", "AgreementUp", "PlacedBy", "OrderIsShown", "Agreement", "NoAgreement", "PlacedSome", "BecomeOrdered", "OtherLine",
        "IsLinkedTo", "LinkWords", "LinkNoWords", "LinkOwnWords", "LinkWordsExample", "LinkIt", "LinkHint", "LinkOther", "LinkNotPossible", "LinkTurn", "LinkReverse", "LinkLoose", "LinkChains", "LinkLoops", "AndMore", "LinksDown", "Links", "LinksOne", "Field", "Zoom", "Nearer", "Farther", "WholeField", "NewHere", "AsSentences", "FieldOfEach", "Shape", "AsField", "AsList", "Tidy", "Untidy", "ChooseToRead", "FieldEmpty", "ChooseToLink", "NewBeside", "SentencesOf", "PutOnField", "MoveOnField", "MoveLeft", "MoveRight", "MoveUp", "MoveDown", "BecomeConnected", "NothingYet", "IsTidy", "NotOnField", "Unjudged", "LinksKept", "Classmate", "Shift", "ShiftChosen", "AnswersOwed", "AnswersOwedOne", "OwesAnswers", "OwesAnswersOne", "Strength", "OpenQuestion", "PairSaid", "SayPair", "MoveCard", "MoveOf", "MoveDone", "MovedByOther", "TakeAlong", "TakenAlong", "TakenEnough", "Held", "HeldOne", "NamesHiddenNow", "RespondTo", "WhoResponded", "ScoredBy", "ScoreOf", "PointsOf", "RestsOn", "ScoreWhy", "ScoreWhyMay", "ScoreWords", "ScoreWordsMay", "ScoreMarked", "ScoreMarkFirst", "ScoreElsewhere", "GiveScore", "ScoreMean", "Scores", "ScoresOne", "ScoreFair", "Reasons", "ReasonsOne", "NothingNoticed", "JudgedAnew", "StampsGone", "ReadingNone", "ReadingDone", "ReadingUnread", "ReadingUnreadOne", "ReadingNobody", "ReadingOwn", "ReadIt", "ReadAll", "BuildsOn", "BuiltOnBy", "BuiltOnByOne", "SaidTimes", "SaidBy", "SaidByOne", "AloneAgain", "AloneAgainOf", "SaidAlready", "JoinIt", "SayDiffers", "SourcesEnough", "NotThat", "BuildOn", "BuildOnOf", "SameAs", "StandsAlone",
        "StanceFirst", "StanceAgain", "StanceWas", "StanceMovedBy", "StanceNoCard", "StanceShift", "StanceNow", "StanceAll", "StanceElsewhere", "StanceMost", "StancePeople", "StancePeopleOne", "StanceTakeBack", "StanceNobody", "StanceSaid", "StanceSaidOne", "StanceSaidAgain", "StanceAllSee", "StancesAnew", "Somebody", "HeldSealed", "SealBroken", "SealWhose", "SealReason", "SealBreak", "FullHere", "OwedUnder", "OwedThere", "JudgingOwed", "JudgingOwedOne", "OwesJudging", "OwesJudgingOne", "StanceMissing", "Poured", "CardColour", "ColourOfTopic", "Locked", "LockCard", "UnlockCard", "TopicLocked", "TopicLockedForMe",
        "SeeLarge", "LargeCard", "CloseLarge", "CardBefore", "CardNext", "CardOf", "CardWaits", "WordingWaits", "AnswerWaits", "ReturnedCard",
    ];

    // In place of those of the same name where cards are questions.
    private static readonly string[] s_asked = ["Cards", "CardsOne", "Fresh", "FreshOne", "Full", "Owed", "OwedOne", "None", "Some", "SomeOne", "NoCards", "ChangeOf", "CardWords", "TakenDownMeanwhile", "AnswerCard", "Unanswered", "LargeCard", "CardBefore", "CardNext"];

    /// <summary>All of them, by the names the scripts use.</summary>
    public static Dictionary<string, object> For(IStringLocalizer<UiTexts> texts)
    {
        var all = WorkTexts.For(texts);
        foreach (var (name, text) in PageData.Texts(texts, "Wall", s_names).Concat(AttachmentTexts.In(texts))) all[name] = text;
        foreach (var (name, text) in PageData.Texts(texts, "Board", "PictureAway", "NetworkAway", "Starters")) all[name] = text;
        all["stamps"] = Stamps.All.ToDictionary(s => s.Name, s => texts[$"Stamp.{s.Name}"].Value, StringComparer.Ordinal);
        all["colours"] = Enumerable.Range(0, WallPlan.Colours).Select(i => texts[$"SlipColour.{i}"].Value);
        all["asked"] = PageData.Texts(texts, "Asked", s_asked);
        return all;
    }
}
