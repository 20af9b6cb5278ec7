import type { JobAnswer } from '@map-step/contract';
import { DataTypes, Model, type ModelStatic, type Sequelize } from 'sequelize';

/** Rows are read and written only by the stores in this folder and beside the features. */
export class DocumentRow extends Model {
  declare studioId: string;
  declare id: string;
  declare position: number;
  declare version: number;
  declare body: unknown;
}

/** What is to be done with the file of a job. */
export interface JobTerms {
  /** People of the file who are others than those of the same id here. */
  readonly others?: readonly string[];
}

export class JobRow extends Model {
  declare studioId: string;
  declare id: string;
  declare kind: JobAnswer['kind'];
  declare state: JobAnswer['state'];
  declare stage: string;
  declare done: number;
  declare total: number;
  declare personId: string;
  declare stopAsked: boolean;
  declare runs: number;
  declare input: Buffer | null;
  declare terms: JobTerms | null;
  declare result: JobAnswer['result'];
  declare fault: JobAnswer['fault'];
}

export class PlanRow extends Model {
  declare studioId: string;
  declare id: string;
  declare courseId: string;
  declare body: unknown;
}

export class RecapRow extends Model {
  declare studioId: string;
  declare sectionId: string;
  declare lesson: number;
  declare audience: 'students' | 'staff';
  declare version: number;
  declare markdown: string;
  declare promises: readonly string[];
  declare publishedAt: Date | null;
  /** The text as it was published last. */
  declare publishedMarkdown: string | null;
  /** The same with its drawings as they were then: what a link shows. */
  declare publishedFrozen: string | null;
  declare firstPublishedAt: Date | null;
  declare corrects: string | null;
}

export class RecapLinkRow extends Model {
  declare tokenHash: string;
  declare studioId: string;
  declare sectionId: string;
  declare lesson: number;
  declare audience: 'students' | 'staff';
  declare expiresAt: Date;
  declare revokedAt: Date | null;
}

/** A link to what a student who was away has missed. */
export class MissedLinkRow extends Model {
  declare tokenHash: string;
  declare studioId: string;
  declare sectionId: string;
  declare studentId: string;
  declare markdown: string;
  declare createdAt: Date;
  declare expiresAt: Date;
}

export class CheckLinkRow extends Model {
  declare tokenHash: string;
  declare studioId: string;
  declare checkId: string;
  declare studentId: string;
  declare markdown: string;
  declare createdAt: Date;
  declare expiresAt: Date;
}

export class HistoryRow extends Model {
  declare studioId: string;
  declare id: string;
  declare aggregate: string;
  declare aggregateId: string;
  declare kind: string;
  declare what: string;
  declare personId: string;
  declare at: Date;
  declare before: unknown;
  declare after: unknown;
  declare undoes: string | null;
}

export class StudioRow extends Model {
  declare id: string;
  declare body: unknown;
  /** Entered by one click, without an account. */
  declare demo: boolean;
  /** The last part of its own address. */
  declare slug: string;
  declare version: number;
}

/** A person's own, whatever studios they belong to: no studio sees it. */
export class AccountRow extends Model {
  declare id: string;
  declare email: string;
  declare passwordHash: string;
  declare epoch: number;
}

export class MembershipRow extends Model {
  declare accountId: string;
  declare studioId: string;
  declare personId: string;
}

/** A link that lets a person of a studio in once. */
export class InvitationRow extends Model {
  declare tokenHash: string;
  declare studioId: string;
  declare personId: string;
  declare expiresAt: Date;
}

/** A link that lets somebody found one more studio. */
export class FoundingLinkRow extends Model {
  declare tokenHash: string;
  declare studioId: string;
  declare expiresAt: Date;
}

export const DOCUMENT_KINDS = [
  ...(['dances', 'levels', 'elements', 'patterns', 'combinations', 'rooms', 'people', 'students'] as const),
  ...(['courses', 'sections', 'checks'] as const),
];
export type DocumentKind = (typeof DOCUMENT_KINDS)[number];

export interface Models {
  /** What they are read and written by. */
  readonly sequelize: Sequelize;
  readonly documents: Readonly<Record<DocumentKind, ModelStatic<DocumentRow>>>;
  readonly jobs: ModelStatic<JobRow>;
  readonly plans: ModelStatic<PlanRow>;
  readonly recaps: ModelStatic<RecapRow>;
  readonly recapLinks: ModelStatic<RecapLinkRow>;
  readonly checkLinks: ModelStatic<CheckLinkRow>;
  readonly missedLinks: ModelStatic<MissedLinkRow>;
  readonly history: ModelStatic<HistoryRow>;
  readonly studios: ModelStatic<StudioRow>;
  readonly accounts: ModelStatic<AccountRow>;
  readonly memberships: ModelStatic<MembershipRow>;
  readonly invitations: ModelStatic<InvitationRow>;
  readonly foundingLinks: ModelStatic<FoundingLinkRow>;
}

const key = (type: typeof DataTypes.TEXT | typeof DataTypes.UUID | typeof DataTypes.INTEGER) => ({
  type,
  primaryKey: true,
});
const studioId = key(DataTypes.UUID);
const generatedId = { type: DataTypes.BIGINT, primaryKey: true, autoIncrement: true };
const { TEXT, INTEGER, JSONB, UUID, DATE, BOOLEAN } = DataTypes;

export function defineModels(sequelize: Sequelize): Models {
  const options = (tableName: string) => ({
    sequelize,
    tableName,
    modelName: tableName,
    underscored: true,
    timestamps: false,
  });
  const documentModel = (table: DocumentKind) =>
    class extends DocumentRow {}.init(
      { studioId, id: key(TEXT), position: INTEGER, version: INTEGER, body: JSONB },
      options(table),
    );
  return {
    sequelize,
    documents: Object.fromEntries(
      DOCUMENT_KINDS.map(kind => [kind, documentModel(kind)]),
    ) as Models['documents'],
    jobs: class extends JobRow {}.init(
      {
        studioId,
        id: key(UUID),
        kind: TEXT,
        state: TEXT,
        stage: TEXT,
        done: INTEGER,
        total: INTEGER,
        personId: TEXT,
        stopAsked: BOOLEAN,
        runs: INTEGER,
        input: DataTypes.BLOB,
        terms: JSONB,
        result: JSONB,
        fault: JSONB,
      },
      options('jobs'),
    ),
    plans: class extends PlanRow {}.init(
      { studioId, id: generatedId, courseId: TEXT, body: JSONB },
      options('plans'),
    ),
    recaps: class extends RecapRow {}.init(
      {
        studioId,
        sectionId: key(TEXT),
        lesson: key(INTEGER),
        audience: key(TEXT),
        version: INTEGER,
        markdown: TEXT,
        promises: JSONB,
        publishedAt: DATE,
        publishedMarkdown: TEXT,
        publishedFrozen: TEXT,
        firstPublishedAt: DATE,
        corrects: TEXT,
      },
      options('recaps'),
    ),
    recapLinks: class extends RecapLinkRow {}.init(
      {
        tokenHash: key(TEXT),
        studioId: UUID,
        sectionId: TEXT,
        lesson: INTEGER,
        audience: TEXT,
        expiresAt: DATE,
        revokedAt: DATE,
      },
      options('recap_links'),
    ),
    checkLinks: class extends CheckLinkRow {}.init(
      {
        tokenHash: key(TEXT),
        studioId: UUID,
        checkId: TEXT,
        studentId: TEXT,
        markdown: TEXT,
        createdAt: DATE,
        expiresAt: DATE,
      },
      options('check_links'),
    ),
    missedLinks: class extends MissedLinkRow {}.init(
      {
        tokenHash: key(TEXT),
        studioId: UUID,
        sectionId: TEXT,
        studentId: TEXT,
        markdown: TEXT,
        createdAt: DATE,
        expiresAt: DATE,
      },
      options('missed_links'),
    ),
    history: class extends HistoryRow {}.init(
      {
        studioId,
        id: generatedId,
        aggregate: TEXT,
        aggregateId: TEXT,
        kind: TEXT,
        what: TEXT,
        personId: TEXT,
        at: DATE,
        before: JSONB,
        after: JSONB,
        undoes: DataTypes.BIGINT,
      },
      options('history'),
    ),
    studios: class extends StudioRow {}.init(
      { id: key(UUID), body: JSONB, demo: BOOLEAN, slug: TEXT, version: INTEGER },
      options('studios'),
    ),
    accounts: class extends AccountRow {}.init(
      { id: key(UUID), email: TEXT, passwordHash: TEXT, epoch: INTEGER },
      options('accounts'),
    ),
    memberships: class extends MembershipRow {}.init(
      { accountId: key(UUID), studioId: key(UUID), personId: TEXT },
      options('memberships'),
    ),
    invitations: class extends InvitationRow {}.init(
      { tokenHash: key(TEXT), studioId: UUID, personId: TEXT, expiresAt: DATE },
      options('invitations'),
    ),
    foundingLinks: class extends FoundingLinkRow {}.init(
      { tokenHash: key(TEXT), studioId: UUID, expiresAt: DATE },
      options('founding_links'),
    ),
  };
}
