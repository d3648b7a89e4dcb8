# frozen_string_literal: true

module Practice
  # What will happen and when; kept in the database, so that a restart forgets nothing.
  class Agenda
    Item = Struct.new(:id, :at, :kind, :payload, keyword_init: true)

    QUIET = %w[expiry grace-over].freeze

    def initialize(db)
      @rows = db[:agenda]
      open = @rows.where(done: false)
      @first_due =
        open
          .where(Sequel[:at] <= :$by)
          .order(:at, :id)
          .limit(1)
          .prepare(:select, :practice_first_due)
      kinds = open.where(kind: :$kind).order(:at, :id)
      @coming = kinds.prepare(:select, :practice_coming)
      @coming_for =
        kinds.where(Sequel.lit("json_extract(payload, '$.name')") => :$name).prepare(
          :select,
          :practice_coming_for
        )
    end

    def add(at, kind, payload) = @rows.insert(at: at.to_i, kind: kind, payload: payload.to_json)

    # The first item that is due by `time`, or nil.
    def first_due(time)
      row = @first_due.call(by: time.to_i).first
      row && item(row)
    end

    # The next thing that somebody waits for; a registry's yearly round is not one.
    def next_at
      at = @rows.where(done: false).exclude(kind: QUIET).min(:at)
      at && Time.at(at).utc
    end

    def finish(item) = @rows.where(id: item.id).update(done: true)

    # Items of a kind still to come, e.g. a registrar's updates that it has taken but not passed on;
    # those of one name where it is given.
    def coming(kind, name: nil)
      rows = name ? @coming_for.call(kind: kind, name: name) : @coming.call(kind: kind)
      rows.map { |r| item(r) }
    end

    private

    def item(row)
      Item.new(
        id: row[:id],
        at: Time.at(row[:at]).utc,
        kind: row[:kind],
        payload: JSON.parse(row[:payload])
      )
    end
  end
end
