# frozen_string_literal: true

module Practice
  # What will happen and when; kept in the database, so that a restart forgets nothing.
  class Agenda
    Item = Struct.new(:id, :at, :kind, :payload, keyword_init: true)

    QUIET = %w[expiry grace-over].freeze

    def initialize(db)
      @rows = db[:agenda]
    end

    def add(at, kind, payload) = @rows.insert(at: at.to_i, kind: kind, payload: payload.to_json)

    # The first item that is due by `time`, or nil.
    def first_due(time)
      row = @rows.where(done: false).where { at <= time.to_i }.order(:at, :id).first
      row && item(row)
    end

    # The next thing that somebody waits for; a registry's yearly round is not one.
    def next_at
      at = @rows.where(done: false).exclude(kind: QUIET).min(:at)
      at && Time.at(at).utc
    end

    def finish(item) = @rows.where(id: item.id).update(done: true)

    # Items of a kind still to come, e.g. a registrar's updates that it has taken but not passed on.
    def coming(kind) = @rows.where(done: false, kind: kind).order(:at, :id).all.map { |r| item(r) }

    private

    def item(row)
      Item.new(id: row[:id], at: Time.at(row[:at]).utc, kind: row[:kind], payload: JSON.parse(row[:payload]))
    end
  end
end
