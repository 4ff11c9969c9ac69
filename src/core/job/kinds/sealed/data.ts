/** Subject `car`: the seal over a signature, put there by the server in the moment of signing. */
export interface Data {
	/** Hash of the signature's entry: it stands for all that is before it. */
	head: string;
	/** SHA-256 of the sheet as it was drawn then, and of its PDF. */
	sheetDigest: string;
	pdfDigest: string;
	/** The shop's key, by its fingerprint. */
	keyId: string;
	/** Ed25519 over the head: what the sheet carries. Base64url. */
	signature: string;
	/** Ed25519 over the head and both digests. */
	sheetSignature: string;
}
