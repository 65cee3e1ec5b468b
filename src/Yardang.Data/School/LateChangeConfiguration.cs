using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Yardang.Data.School;

internal sealed class LateChangeConfiguration : IEntityTypeConfiguration<LateChangeRecord>
{
    public void Configure(EntityTypeBuilder<LateChangeRecord> builder)
    {
        builder.ToTable("LateChanges");
        builder.HasIndex(c => c.LessonId);
    }
}
