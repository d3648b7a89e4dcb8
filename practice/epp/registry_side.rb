# frozen_string_literal: true

module Practice
  module Epp
    # A registrar that speaks to the registry itself, with nothing in between.
    class RegistrySide
      attr_reader :id

      def initialize(id, registry)
        @id = id
        @registry = registry
      end

      def check(names) = @registry.check(names)
      def contact(contact_id) = @registry.contact(id, contact_id)
      def info(name, auth: nil) = @registry.info(id, name, auth: auth)

      def change_contact(contact_id, email:, at:)
        @registry.change_contact(id, contact_id, email: email, at: at) && true
      end

      def update(name, add:, rem:, at:, auth: nil)
        @registry.update(id, name, add: add, rem: rem, auth: auth, at: at) && true
      end

      def renew(name, expires, years:, at:)
        @registry.renew(id, name, expires, years: years, at: at)
      end
      def request_transfer(name, auth, years:, at:)
        @registry.request_transfer(id, name, auth, years: years, at: at)
      end
      def query(name, auth: nil) = @registry.query(id, name, auth: auth)
      def end_transfer(name, operation, at:) = @registry.end_transfer(id, name, operation, at: at)
    end
  end
end
