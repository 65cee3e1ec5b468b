using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Yardang.Data.School;

internal sealed class ActivityConfiguration : IEntityTypeConfiguration<ActivityRecord>
{
    public void Configure(EntityTypeBuilder<ActivityRecord> builder)
    {
        builder.ToTable("Activities");
        builder.HasIndex(a => a.OwnerId);
        builder.HasIndex(a => a.DraftId).IsUnique();
    }
}
