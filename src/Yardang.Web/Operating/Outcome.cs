namespace Yardang.Web.Operating;

/// <summary>What came of an operator's command.</summary>
/// <param name="IsDone">Whether it was done; else nothing has changed.</param>
/// <param name="Said">What the operator reads.</param>
public sealed record Outcome(bool IsDone, string Said)
{
    /// <summary>It was done.</summary>
    public static Outcome Done(string said) => new(true, said);

    /// <summary>It was not, and nothing has changed.</summary>
    public static Outcome Refused(string said) => new(false, said);
}
