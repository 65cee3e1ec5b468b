using Microsoft.Extensions.Localization;

namespace Yardang.Web.Pages;

/// <summary>The texts that a page with a wall on it hands to its scripts.</summary>
public static class WallTexts
{
    private static readonly string[] s_names =
    [
        "Opening", "NotReached", "OnlyLook", "Nowhere", "Everything", "WriteHere", "WriteUnder", "PutUp", "Yours", "Teacher", "Change", "ChangeOf", "Keep", "Cancel", "TakeDown", "TakenDown", "TakenDownByTeacher", "PutBack", "Topic", "Place",
        "PlaceFirst", "PlaceAfter", "CardWords", "Cards", "CardsOne", "Fresh", "FreshOne", "FreshHere", "Full", "MovedFrom", "TopicOf", "Owed", "OwedOne", "None", "Some", "SomeOne", "NoCards", "ToNowhere", "ToNowhereOne", "PlanKept", "TakenDownMeanwhile", "PensDown",
        "Answer", "Answers", "AnswersOne", "AnswersTo", "AnswerTo", "Answering", "AnswerCard", "AnswerWords", "AnswersEnded", "ChangeAnswer", "AnswerDown", "AnswerDownByTeacher", "FreshAnswers", "FreshAnswersOne", "WriteAnswer", "Say", "You", "Unanswered",
        "Picture", "Drawing", "Formula", "MapPlace", "FromDevice", "FromSearch", "Draw", "OnMap", "TakeOff", "DrawOn", "ChangeFormula", "ChangePlace", "Says", "OnItsWay", "EnoughShown", "ShownNoLonger",
        "Agree", "Unsure", "Disagree", "Choose", "Chosen", "Judge", "Said", "ChosenBy", "Round", "WhoSaid", "ChosenOf", "JudgedOf", "JudgedShown", "JudgingNow", "JudgingOver", "JudgedNobody", "JudgedSome", "JudgedSomeOne",
        "SeeLarge", "LargeCard", "CloseLarge", "CardBefore", "CardNext", "CardOf",
    ];

    /// <summary>All of them, by the names the scripts use.</summary>
    public static Dictionary<string, object> For(IStringLocalizer<UiTexts> texts)
    {
        var all = WorkTexts.For(texts);
        foreach (var (name, text) in PageData.Texts(texts, "Wall", s_names)) all[name] = text;
        foreach (var (name, text) in PageData.Texts(texts, "Board", "PictureAway")) all[name] = text;
        return all;
    }
}
